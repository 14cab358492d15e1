import { createHash } from 'node:crypto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { catalogsAsShipped, earlierCatalogs, shippedCatalogs } from '@/catalog/shipped';
import { partStates } from '@/core/wear/partStates';
import { insertCatalog, newestCatalogs } from '@/db/catalogs';
import { CATALOG_KINDS } from '@/model/catalogs';
import { adoptCatalogs, previewCatalogs, readCatalogDocument } from '@/server/catalogs/adoptCatalogs';
import { fillCatalogs } from '@/server/catalogs/catalogsInForce';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { readStream } from '@/server/job/readStream';
import { noteFinding } from '@/server/strip/noteFinding';
import { bookTestUnit, captureHead, openTestShop, refusalOf, type TestShop } from './fixtures/shop';

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterEach(() => shop.close());

const snapshot = () => gatherSnapshot(shop.context.db, jobId);
const proposed = () =>
  partStates(snapshot()).find(({ position }) => position.id === 'ring-gear')?.proposal.grade;
const see = (mode: string) =>
  noteFinding(shop.people.inspector, shop.context, {
    ...captureHead(jobId, shop.people.inspector),
    ...{ positionId: 'ring-gear', mode, place: 'drive flank', severity: 'light' },
  });

/** Rules of a next revision by which everything that was seen is broken. */
const stricter = () => {
  const rules = catalogsAsShipped()['grade-rules'];
  const revision = rules.revision + 1;
  const strict = { id: 'strict', when: { finding: { mode: ['polishing'] } }, grade: 5, words: 'Strict' };
  insertCatalog(
    shop.context.db,
    'grade-rules',
    { ...rules, revision, rules: [...rules.rules, strict] } as never,
    '',
  );
  return revision;
};
const adopt = (over: object = {}) =>
  adoptCatalogs(shop.people.lead, shop.context, {
    ...{ jobId, version: snapshot().job.version, revisions: newestCatalogs(shop.context.db) },
    ...over,
  });

describe('the documents in force for a job', () => {
  it('are those that were the newest when it was booked in, whatever comes after', () => {
    see('polishing');
    const before = proposed();
    const revision = stricter();
    expect([proposed(), snapshot().job.catalogs['grade-rules']]).toEqual([before, revision - 1]);
    const later = bookTestUnit(shop, { peg: 502 });
    expect(gatherSnapshot(shop.context.db, later).job.catalogs['grade-rules']).toBe(revision);
  });

  it('are changed on a person’s word, who was told before what that changes', () => {
    see('polishing');
    stricter();
    const { changes } = previewCatalogs(shop.people.inspector, shop.context, { jobId });
    expect(changes).toEqual(['Ring gear: the rules would propose 5, broken; now 1, run in.']);
    expect(proposed()).toBe(1);
    expect(refusalOf(() => adopt({ version: 7 })).code).toBe('stale');
    expect(
      refusalOf(() => adopt({ revisions: { ...newestCatalogs(shop.context.db), cautions: 9 } })).message,
    ).toBe('Its cautions, revision 9, are missing.');
    expect(adopt()).toEqual({ changes });
    expect(proposed()).toBe(5);
  });

  it('say so where a newer revision changes nothing here', () => {
    stricter();
    expect(previewCatalogs(shop.people.inspector, shop.context, { jobId }).changes).toEqual([
      'Nothing in this job changes by the newer rules of grading.',
    ]);
  });

  it('reach a device that follows: the newest with the shop’s revision, the pinned with the job', () => {
    const first = readStream(shop.people.inspector, shop.context, { jobId });
    const since = { jobId, since: first.cursor, shop: first.shop };
    const revision = stricter();
    const told = readStream(shop.people.inspector, shop.context, since);
    expect(told).toMatchObject({ newestCatalogs: { 'grade-rules': revision } });
    expect(told).not.toHaveProperty('job');
    adopt();
    expect(readStream(shop.people.inspector, shop.context, since).job?.catalogs['grade-rules']).toBe(
      revision,
    );
    const ask = { kind: 'grade-rules', revision };
    expect(readCatalogDocument(shop.people.inspector, shop.context, ask)).toMatchObject({ revision });
    expect(
      refusalOf(() => readCatalogDocument(shop.people.inspector, shop.context, { ...ask, revision: 99 }))
        .status,
    ).toBe(404);
  });

  it('never change once they were stored', () => {
    const before = readCatalogDocument(shop.people.lead, shop.context, { kind: 'cautions', revision: 1 });
    insertCatalog(shop.context.db, 'cautions', { revision: 1 }, '');
    fillCatalogs(shop.context.db, '');
    expect(readCatalogDocument(shop.people.lead, shop.context, { kind: 'cautions', revision: 1 })).toEqual(
      before,
    );
  });
});

describe('what ships', () => {
  /* A revision that went out once is judged by in shops: whoever changes a document gives it the next revision, and a line here. */
  it('is, revision by revision, what went out', () => {
    const now = CATALOG_KINDS.map((kind) => [kind, shippedCatalogs()[kind]] as const);
    const digests = [...earlierCatalogs(), ...now].map(([kind, document]) => {
      const digest = createHash('sha256').update(JSON.stringify(document)).digest('hex').slice(0, 16);
      return `${kind} ${document.revision} ${digest}`;
    });
    expect(digests).toMatchInlineSnapshot(`
      [
        "damage-words 2 ffee1fcecf88e88c",
        "grade-rules 1 39ed7e1635ffc67a",
        "oil-thresholds 1 594cf214b0477d9a",
        "cause-network 1 b376cafc0240fd46",
        "damage-words 5 1f2e1f07f64d048a",
        "grade-rules 3 6f0a6588175274a9",
        "oil-thresholds 2 172ac3f3f5b3d5ff",
        "cautions 1 ca2bd15bc969122b",
        "check-definitions 2 2676d1458c2d5113",
        "cause-network 2 5e3a5feaea980164",
      ]
    `);
  });
});
