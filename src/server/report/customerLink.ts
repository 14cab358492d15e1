import * as v from 'valibot';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import {
  findReportIssue,
  findReportLink,
  insertReportLink,
  type ReportIssue,
  withdrawReportLinks,
} from '@/db/reports';
import { IdSchema } from '@/model/ids';
import { type Context, instant } from '../context';
import { derivedPhotograph } from '../photos/readPhotograph';
import { Refusal } from '../refusal';
import { hashToken, newToken } from '../sign-in/secrets';
import { defineUseCase } from '../useCase';

const DAYS_VALID = 30;
export const LINK_ENDED = 'This link is no longer valid. Please ask the shop for a new one.';

/** A link that opens one issue of one job's report, and nothing else, for thirty days. */
export const makeCustomerLink = defineUseCase(
  'report.issue',
  v.object({ jobId: IdSchema, number: v.number() }),
  (actor, context, { jobId, number }) =>
    inTransaction(context.db, () => {
      if (!findReportIssue(context.db, jobId, number))
        throw new Refusal('not-found', `There is no issue ${number} of this report.`);
      const token = newToken();
      const expiresAt = new Date(context.now().getTime() + DAYS_VALID * 86_400_000).toISOString();
      insertReportLink(context.db, {
        tokenHash: hashToken(token),
        jobId,
        number,
        at: instant(context),
        by: actor.id,
        expiresAt,
      });
      logChange(context.db, {
        at: instant(context),
        by: actor.id,
        jobId,
        topic: 'customer link',
        subject: `${jobId}/${number}`,
        after: { expiresAt },
      });
      return { token, expiresAt };
    }),
);

export const withdrawCustomerLinks = defineUseCase(
  'report.issue',
  v.object({ jobId: IdSchema }),
  (actor, context, { jobId }) =>
    inTransaction(context.db, () => {
      const withdrawn = withdrawReportLinks(context.db, jobId, instant(context));
      logChange(context.db, {
        at: instant(context),
        by: actor.id,
        jobId,
        topic: 'customer link',
        subject: jobId,
        after: { withdrawn },
      });
      return { withdrawn };
    }),
);

/** For the holder of a link: no actor, the token is the right, and it reaches this one report only. */
export function readReportByToken(context: Context, token: string): ReportIssue {
  const link = findReportLink(context.db, hashToken(token));
  if (!link) throw new Refusal('not-found', 'This link leads nowhere. Please ask the shop for a new one.');
  if (hasEnded(link, context)) throw new Refusal('gone', LINK_ENDED);
  return findReportIssue(context.db, link.job_id, link.number)!;
}

/** Whether a link once led somewhere and no longer does: withdrawn, or its days are over. */
export function linkHasEnded(context: Context, token: string): boolean {
  const link = findReportLink(context.db, hashToken(token));
  return link !== undefined && hasEnded(link, context);
}

type Link = NonNullable<ReturnType<typeof findReportLink>>;

function hasEnded(link: Link, context: Context): boolean {
  return link.withdrawn_at !== null || link.expires_at <= instant(context);
}

export async function readPhotographByToken(
  context: Context,
  token: string,
  photographId: string,
): Promise<string> {
  const { document } = readReportByToken(context, token);
  const shown = [...document.damaged, ...document.worn, ...document.sound].flatMap(
    (part) => part.photographs,
  );
  const photograph = shown.find(({ id }) => id === photographId);
  if (!photograph) throw new Refusal('not-found', 'There is no such photograph in this report.');
  return derivedPhotograph(context, photograph.digest, 1280);
}
