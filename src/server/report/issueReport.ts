import * as v from 'valibot';
import { canonicalJson } from '@/core/canonicalJson';
import { type BeforeIssue, beforeIssue, isSettled, tellBeforeIssue } from '@/core/open/beforeIssue';
import { composeColleague } from '@/core/report/composeColleague';
import { composeParts } from '@/core/report/composeParts';
import { composeReport } from '@/core/report/composeReport';
import { paperChanges } from '@/core/report/paperChanges';
import { reportChanges } from '@/core/report/reportChanges';
import { partStates } from '@/core/wear/partStates';
import { logChange } from '@/db/changeLog';
import { type Db, inTransaction } from '@/db/open';
import {
  type AnyIssue,
  findIssue,
  findReportIssue,
  insertReportIssue,
  lastIssue,
  nextReportNumber,
} from '@/db/reports';
import { readMoney, readShop } from '@/db/shop';
import { listDeviceWords } from '@/db/stream';
import { IdSchema, words } from '@/model/ids';
import { type PaperDocument, REPORT_KINDS, type ReportKind } from '@/model/paper';
import type { ReportDocument } from '@/model/report';
import { newestDocument } from '../catalogs/catalogsInForce';
import { instant } from '../context';
import { sha256 } from '../digest';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { typeOfIssue } from './typeOfIssue';

type Document = ReportDocument | PaperDocument;

interface Draft<Content extends Document> {
  readonly document: Content;
  /** What is open or undecided, where that is to be settled or explained first. */
  readonly before: BeforeIssue;
  readonly changes: readonly string[];
}

const NOTHING_BEFORE: BeforeIssue = { devices: [], undecided: [], open: 0 };

function composeCustomer(db: Db, jobId: string): Draft<ReportDocument> {
  const snapshot = gatherSnapshot(db, jobId);
  const parts = partStates(snapshot);
  const document = composeReport({ shop: readShop(db), snapshot, parts });
  const last = lastIssue(db, jobId, 'customer');
  return {
    document,
    before: beforeIssue(snapshot, parts, document, listDeviceWords(db, jobId)),
    changes: last?.kind === 'customer' ? changesSince(last.document, document) : [],
  };
}

function composePaper(db: Db, jobId: string, kind: PaperDocument['kind']): Draft<PaperDocument> {
  const snapshot = gatherSnapshot(db, jobId);
  const shop = readShop(db);
  const document = kind === 'parts' ? composeParts({ shop, snapshot, money: readMoney(db) }) : colleague();
  const last = lastIssue(db, jobId, kind);
  return {
    document,
    before: NOTHING_BEFORE,
    changes: last && last.kind !== 'customer' ? paperChanges(last.document, document) : [],
  };

  function colleague(): PaperDocument {
    const parts = partStates(snapshot);
    const customer = composeReport({ shop, snapshot, parts });
    return composeColleague({
      shop,
      snapshot,
      parts,
      customer,
      network: newestDocument(db, 'cause-network'),
    });
  }
}

const compose = (db: Db, jobId: string, kind: ReportKind): Draft<Document> =>
  kind === 'customer' ? composeCustomer(db, jobId) : composePaper(db, jobId, kind);

/** What changed since the last issue; why that one was issued with open questions is no change. */
const changesSince = ({ issuedDespite: _, ...before }: ReportDocument, document: ReportDocument): string[] =>
  reportChanges(before, document);

const kindSchema = v.optional(v.picklist(REPORT_KINDS, 'there is no such kind of report'), 'customer');

/** What the customer’s report would say if it were issued now, and how that differs from the last issue. */
export const draftReport = defineUseCase(
  'report.read',
  v.object({ jobId: IdSchema }),
  (_actor, { db }, { jobId }) => ({
    ...composeCustomer(db, jobId),
    nextNumber: nextReportNumber(db, jobId),
  }),
);

/**
 * Freezes a report: its text, the digest of that text, and the digest of the issue of its kind before. What the customer’s leaves open or
 * undecided, or still waits on a device, is told first; it goes out all the same with a reason, which then stands in it.
 */
export const issueReport = defineUseCase(
  'report.issue',
  v.object({ jobId: IdSchema, kind: kindSchema, reason: v.optional(words(300), '') }),
  (actor, context, { jobId, kind, reason }) =>
    inTransaction(context.db, () => {
      const { db } = context;
      const { document: composed, before, changes } = compose(db, jobId, kind);
      const last = lastIssue(db, jobId, kind);
      refuseUndecided(composed);
      if (last && changes.length === 0)
        throw new Refusal('bad-input', `Nothing changed since issue ${last.number}. It still stands.`);
      if (!isSettled(before) && reason === '')
        throw new Refusal(
          'bad-input',
          `${tellBeforeIssue(before)} Settle that, or say why the report goes out all the same.`,
          { faults: [{ path: 'reason', message: 'a reason is needed' }], before },
        );
      const document = isSettled(before)
        ? composed
        : { ...composed, issuedDespite: { reason, by: actor.name } };
      const number = nextReportNumber(db, jobId);
      const documentText = canonicalJson(document);
      const previousDigest = last?.digest ?? null;
      const digest = sha256(`${previousDigest ?? ''}\n${number}\n${documentText}`);
      const at = instant(context);
      insertReportIssue(db, {
        ...{ jobId, number, kind, documentText, digest, previousDigest, changes, by: actor.id, at },
      });
      logChange(db, {
        ...{ at, by: actor.id, jobId, topic: 'report', subject: `${jobId}/${number}` },
        after: { number, kind, digest },
      });
      return { number, digest, changes };
    }),
);

/** The customer is told what was decided; without that there is nothing to tell. */
function refuseUndecided(document: Document): void {
  if ('proposal' in document && !document.proposal)
    throw new Refusal(
      'bad-input',
      'There is no decision for the unit yet. Decide first, then issue the report.',
    );
}

const NumberSchema = v.object({
  jobId: IdSchema,
  number: v.pipe(v.number(), v.integer(), v.minValue(1)),
});

const noSuch = (number: number) => new Refusal('not-found', `There is no issue ${number} of this report.`);

/** What the customer was told under a number. */
export const readReport = defineUseCase('report.read', NumberSchema, (_actor, { db }, { jobId, number }) => {
  const issue = findReportIssue(db, jobId, number);
  if (!issue) throw noSuch(number);
  return issue;
});

/** The same with the revision of the type that its drawing is made of, which never changes. */
export const readReportPage = defineUseCase('report.read', NumberSchema, (actor, context, asked) => {
  const issue = readReport(actor, context, asked);
  return { issue, unitType: typeOfIssue(context.db, issue) };
});

/** A report of whichever kind, as it was frozen. */
export const readIssue = defineUseCase(
  'report.read',
  NumberSchema,
  (_actor, { db }, { jobId, number }): AnyIssue => {
    const issue = findIssue(db, jobId, number);
    if (!issue) throw noSuch(number);
    return issue;
  },
);
