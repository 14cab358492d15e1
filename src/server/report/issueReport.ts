import * as v from 'valibot';
import { canonicalJson } from '@/core/canonicalJson';
import { beforeIssue, isSettled, tellBeforeIssue } from '@/core/open/beforeIssue';
import { composeReport } from '@/core/report/composeReport';
import { reportChanges } from '@/core/report/reportChanges';
import { partStates } from '@/core/wear/partStates';
import { logChange } from '@/db/changeLog';
import { type Db, inTransaction } from '@/db/open';
import { findReportIssue, insertReportIssue, listReportIssues, type ReportIssue } from '@/db/reports';
import { readShop } from '@/db/shop';
import { listDeviceWords } from '@/db/stream';
import { IdSchema, words } from '@/model/ids';
import type { ReportDocument } from '@/model/report';
import { instant } from '../context';
import { sha256 } from '../digest';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

function compose(db: Db, jobId: string) {
  const snapshot = gatherSnapshot(db, jobId);
  const parts = partStates(snapshot);
  const document = composeReport({ shop: readShop(db), snapshot, parts });
  return { document, before: beforeIssue(snapshot, parts, document, listDeviceWords(db, jobId)) };
}

/** What changed since the last issue; why that one was issued with open questions is no change. */
const changesSince = (last: ReportIssue, document: ReportDocument): string[] => {
  const { issuedDespite: _, ...before } = last.document;
  return reportChanges(before, document);
};

/** What the report would say if it were issued now, and how that differs from the last issue. */
export const draftReport = defineUseCase(
  'report.read',
  v.object({ jobId: IdSchema }),
  (_actor, { db }, { jobId }) => {
    const { document, before } = compose(db, jobId);
    const last = listReportIssues(db, jobId).at(-1);
    return {
      ...{ document, before },
      changes: last ? changesSince(last, document) : [],
      nextNumber: (last?.number ?? 0) + 1,
    };
  },
);

/**
 * Freezes the report: its text, the digest of that text, and the digest of the issue before. What is open, undecided or still waits on
 * a device is told first; it goes out all the same with a reason, which then stands in it.
 */
export const issueReport = defineUseCase(
  'report.issue',
  v.object({ jobId: IdSchema, reason: v.optional(words(300), '') }),
  (actor, context, { jobId, reason }) =>
    inTransaction(context.db, () => {
      const { document: composed, before } = compose(context.db, jobId);
      const last = listReportIssues(context.db, jobId).at(-1);
      if (!composed.proposal)
        throw new Refusal(
          'bad-input',
          'There is no decision for the unit yet. Decide first, then issue the report.',
        );
      const changes = last ? changesSince(last, composed) : [];
      if (last && changes.length === 0)
        throw new Refusal('bad-input', `Nothing changed since issue ${last.number}. It still stands.`);
      if (!isSettled(before) && reason === '')
        throw new Refusal(
          'bad-input',
          `${tellBeforeIssue(before)} Settle that, or say why the report goes out all the same.`,
          { faults: [{ path: 'reason', message: 'a reason is needed' }], before },
        );
      const document: ReportDocument = isSettled(before)
        ? composed
        : { ...composed, issuedDespite: { reason, by: actor.name } };
      const number = (last?.number ?? 0) + 1;
      const documentText = canonicalJson(document);
      const previousDigest = last?.digest ?? null;
      const digest = sha256(`${previousDigest ?? ''}\n${number}\n${documentText}`);
      const at = instant(context);
      insertReportIssue(context.db, {
        jobId,
        number,
        documentText,
        digest,
        previousDigest,
        changes,
        by: actor.id,
        at,
      });
      logChange(context.db, {
        at,
        by: actor.id,
        jobId,
        topic: 'report',
        subject: `${jobId}/${number}`,
        after: { number, digest },
      });
      return { number, digest, changes };
    }),
);

export const readReport = defineUseCase(
  'report.read',
  v.object({ jobId: IdSchema, number: v.pipe(v.number(), v.integer(), v.minValue(1)) }),
  (_actor, { db }, { jobId, number }) => {
    const issue = findReportIssue(db, jobId, number);
    if (!issue) throw new Refusal('not-found', `There is no issue ${number} of this report.`);
    return issue;
  },
);
