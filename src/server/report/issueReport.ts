import * as v from 'valibot';
import { canonicalJson } from '@/core/canonicalJson';
import { composeReport } from '@/core/report/composeReport';
import { reportChanges } from '@/core/report/reportChanges';
import { logChange } from '@/db/changeLog';
import { type Db, inTransaction } from '@/db/open';
import { findReportIssue, insertReportIssue, listReportIssues } from '@/db/reports';
import { readShop } from '@/db/shop';
import { IdSchema } from '@/model/ids';
import type { ReportDocument } from '@/model/report';
import { instant } from '../context';
import { sha256 } from '../digest';
import { gatherSnapshot, partStates } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

function compose(db: Db, jobId: string): ReportDocument {
  const snapshot = gatherSnapshot(db, jobId);
  return composeReport({ shop: readShop(db), snapshot, parts: partStates(snapshot) });
}

/** What the report would say if it were issued now, and how that differs from the last issue. */
export const draftReport = defineUseCase(
  'report.read',
  v.object({ jobId: IdSchema }),
  (_actor, { db }, { jobId }) => {
    const document = compose(db, jobId);
    const last = listReportIssues(db, jobId).at(-1);
    return {
      document,
      changes: last ? reportChanges(last.document, document) : [],
      nextNumber: (last?.number ?? 0) + 1,
    };
  },
);

/** Freezes the report: its text, the digest of that text, and the digest of the issue before. */
export const issueReport = defineUseCase(
  'report.issue',
  v.object({ jobId: IdSchema }),
  (actor, context, { jobId }) =>
    inTransaction(context.db, () => {
      const document = compose(context.db, jobId);
      const last = listReportIssues(context.db, jobId).at(-1);
      if (!document.proposal)
        throw new Refusal(
          'bad-input',
          'There is no decision for the unit yet. Decide first, then issue the report.',
        );
      const changes = last ? reportChanges(last.document, document) : [];
      if (last && changes.length === 0)
        throw new Refusal('bad-input', `Nothing changed since issue ${last.number}. It still stands.`);
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
