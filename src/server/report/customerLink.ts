import * as v from 'valibot';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { findReportIssue, insertReportLink, type ReportIssue, withdrawReportLinks } from '@/db/reports';
import { IdSchema } from '@/model/ids';
import type { Owner } from '@/model/people';
import { type Context, instant } from '../context';
import { derivedPhotograph } from '../photos/readPhotograph';
import { Refusal } from '../refusal';
import { hashToken, newToken } from '../sign-in/secrets';
import { defineUseCase } from '../useCase';
import { defineLetterCase } from './letterCase';
import { printReport } from './printReport';
import { typeOfIssue } from './typeOfIssue';

export const DAYS_VALID = 30;

/** A link that opens one issue of one job's report, and nothing else, for thirty days. */
export const makeCustomerLink = defineUseCase(
  'quote.send',
  v.object({ jobId: IdSchema, number: v.number() }),
  (actor, context, { jobId, number }) =>
    inTransaction(context.db, () => {
      if (!findReportIssue(context.db, jobId, number))
        throw new Refusal('not-found', `The customer has no report ${number} of this unit.`);
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
  'quote.send',
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

/** The letter that a link opens. A link is only ever made for a customer's report that there is. */
const letterOf = ({ db }: Context, { jobId, number }: Owner): ReportIssue =>
  findReportIssue(db, jobId, number)!;

/** The letter, and the revision of the type that its drawing is made of. */
export const readLetter = defineLetterCase('letter.read', v.undefined(), (owner, context) => {
  const issue = letterOf(context, owner);
  return { issue, unitType: typeOfIssue(context.db, issue) };
});

export const printLetter = defineLetterCase('letter.read', v.undefined(), async (owner, context) => {
  const issue = letterOf(context, owner);
  return {
    name: `report-${issue.document.unit.peg}-${issue.number}.pdf`,
    bytes: await printReport(context, issue, 'A4'),
  };
});

/** A photograph that stands in the letter, made small and without its EXIF. */
export const readLetterPhotograph = defineLetterCase(
  'letter.read',
  v.object({ photographId: v.pipe(v.string(), v.maxLength(64)) }),
  async (owner, context, { photographId }): Promise<string> => {
    const { document } = letterOf(context, owner);
    const shown = [...document.damaged, ...document.worn, ...document.sound].flatMap(
      (part) => part.photographs,
    );
    const photograph = shown.find(({ id }) => id === photographId);
    if (!photograph) throw new Refusal('not-found', 'There is no such photograph in this report.');
    return derivedPhotograph(context, photograph.digest, 1280);
  },
);
