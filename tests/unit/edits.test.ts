import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { readChanges } from '@/db/changeLog';
import type { JobEdit } from '@/model/job';
import type { RecordContent } from '@/model/recordKinds';
import { countIdentity } from '@/server/book-in/countIdentity';
import { noteCause } from '@/server/causes/noteCause';
import { decidePart, decideUnit, keepDecision } from '@/server/decide/decide';
import { setGrade } from '@/server/grade/setGrade';
import { describePart } from '@/server/job/describePart';
import { editJob } from '@/server/job/editJob';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { makeCustomerLink, readLetter, withdrawCustomerLinks } from '@/server/report/customerLink';
import { draftReport, issueReport, readReport } from '@/server/report/issueReport';
import { ownerByToken } from '@/server/report/letterCase';
import { keepRecord } from '@/server/strip/keepRecord';
import { noteFinding } from '@/server/strip/noteFinding';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  refusalOf as refused,
  type TestShop,
} from './fixtures/shop';

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterEach(() => shop.close());

const snapshot = () => gatherSnapshot(shop.context.db, jobId);
const editOf = (over: Partial<JobEdit>): JobEdit => {
  const {
    version,
    customer,
    customerContact,
    machine,
    serial,
    tag,
    complaint,
    oilClaimed,
    history,
    dueOn,
    waitsFor,
    tooClosePolicy,
  } = snapshot().job;
  return {
    version,
    customer,
    customerContact,
    machine,
    serial,
    tag,
    complaint,
    oilClaimed,
    history,
    dueOn,
    waitsFor,
    tooClosePolicy,
    ...over,
  };
};
const see = (positionId: string, mode: string, place: string) =>
  noteFinding(shop.people.inspector, shop.context, {
    ...captureHead(jobId, shop.people.inspector),
    positionId,
    mode,
    place,
    severity: 'severe',
  });
const grade = (positionId: string, value: 0 | 1 | 4, version = 0, reason = '') =>
  setGrade(shop.people.inspector, shop.context, {
    jobId,
    entry: { positionId, version, grade: value, reason },
  });

describe('a job edited by two', () => {
  it('shows the second one both versions and overwrites nothing', () => {
    const [mine, yours] = [editOf({ machine: 'trailer 2' }), editOf({ machine: 'trailer 3' })];
    editJob(shop.people.inspector, shop.context, { jobId, edit: mine });
    const refusal = refused(() => editJob(shop.people.lead, shop.context, { jobId, edit: yours }));
    expect(refusal.status).toBe(409);
    expect(refusal.details).toMatchObject({
      theirs: { machine: 'trailer 2' },
      yours: { machine: 'trailer 3' },
    });
    expect(snapshot().job.machine).toBe('trailer 2');
  });

  it('keeps before and after, who and when', () => {
    editJob(shop.people.inspector, shop.context, {
      jobId,
      edit: editOf({ waitsFor: 'a press' }),
    });
    const line = readChanges(shop.context.db, jobId).findLast(({ topic }) => topic === 'job');
    expect(line).toMatchObject({ by_id: shop.people.inspector.id, at: '2026-11-24T09:00:00.000Z' });
    expect(JSON.parse(line?.before_json ?? '{}').waitsFor).toBe('draining');
    expect(JSON.parse(line?.after_json ?? '{}').waitsFor).toBe('a press');
  });
});

describe('grades and decisions', () => {
  it('ask for a reason where a person differs from the rules', () => {
    see('head-bearing', 'subsurface-fatigue', 'outer race');
    expect(refused(() => grade('head-bearing', 1)).message).toContain('Say why');
    grade('head-bearing', 4);
    expect(snapshot().grades).toMatchObject([{ positionId: 'head-bearing', grade: 4, proposed: 4 }]);
  });

  it('do not let a spalled bearing back into a machine, whatever the reason', () => {
    see('head-bearing', 'subsurface-fatigue', 'outer race');
    grade('head-bearing', 4);
    const decide = (decision: 'reuse' | 'replace') =>
      decidePart(shop.people.lead, shop.context, {
        jobId,
        entry: { positionId: 'head-bearing', version: 0, decision, reason: 'the customer insists' },
      });
    expect(refused(() => decide('reuse')).message).toContain('spall');
    expect(
      refused(() =>
        decidePart(shop.people.lead, shop.context, {
          jobId,
          entry: { positionId: 'tail-bearing', version: 0, decision: 'reuse', reason: 'it will do' },
        }),
      ).message,
    ).toContain('not graded');
    decide('replace');
    expect(snapshot().decisions).toMatchObject([{ decision: 'replace' }]);
  });

  it('refuse a stale grade with both', () => {
    see('head-bearing', 'subsurface-fatigue', 'outer race');
    grade('head-bearing', 4);
    expect(refused(() => grade('head-bearing', 1, 0, 'I see nothing')).details).toMatchObject({
      theirs: { grade: 4 },
      yours: { grade: 1 },
    });
  });
});

describe('a unit that nobody described', () => {
  it('grows its own type part by part, each id used once, and leaves shared types alone', () => {
    const own = bookTestUnit(shop, { peg: 502, unitTypeId: undefined });
    const add = (name: string) =>
      describePart(shop.people.assembler, shop.context, {
        jobId: own,
        version: gatherSnapshot(shop.context.db, own).job.version,
        name,
        family: 'gear-teeth' as const,
      });
    expect([add('Input gear').positionId, add('Output gear').positionId]).toEqual(['part-1', 'part-2']);
    expect(gatherSnapshot(shop.context.db, own).unitType.positions.map(({ name }) => name)).toEqual([
      'Input gear',
      'Output gear',
    ]);
    expect(
      refused(() =>
        describePart(shop.people.assembler, shop.context, {
          jobId,
          version: 1,
          name: 'X',
          family: 'housing',
        }),
      ).message,
    ).toContain('shared');
  });

  it('will not hang on a peg that is taken', () => {
    expect(refused(() => bookTestUnit(shop, { peg: 501 })).message).toContain(
      'Peg 501 is taken. The next free one is 502',
    );
  });
});

describe('the report', () => {
  it('tells what two people decided without knowing of each other, until it is decided again', () => {
    const lead = shop.people.lead;
    const replace = (reason: string, version = 0) =>
      keepDecision(lead, shop.context, {
        ...captureHead(jobId, lead),
        ...{ positionId: 'head-bearing', version, decision: 'replace', proposed: 'replace', reason },
        evidence: [],
      });
    const noted = (words: string, version = 0) =>
      noteCause(lead, shop.context, {
        ...captureHead(jobId, lead),
        ...{ version, words, plainWords: words, sureness: 'likely' },
      });
    const told = () =>
      draftReport(lead, shop.context, { jobId })
        .document.open.flatMap(({ name, questions }) => questions.map((question) => `${name}: ${question}`))
        .filter((line) => line.includes('without knowing'));
    replace('loud');
    replace('worn');
    noted('A dry bearing.');
    noted('A bent shaft.');
    expect(told()).toEqual([
      'Head bearing: Decided “Replace” by The lead too, without knowing of the other',
      'The unit as a whole: Another cause by The lead, without knowing of the first',
    ]);
    replace('loud and worn', 1);
    noted('A dry bearing, then a bent shaft.', 1);
    expect(told()).toEqual([]);
  });

  const decideRepair = (reason: string, version = 0) =>
    decideUnit(shop.people.lead, shop.context, {
      ...captureHead(jobId, shop.people.lead),
      ...{ version, decision: 'repair', reason, watch: '' },
    });

  const reason = 'the owner waits';

  it('goes out with open questions only with a reason, which then stands in it', () => {
    decideRepair('New head bearing.');
    see('head-bearing', 'subsurface-fatigue', 'outer race');
    grade('head-bearing', 4);
    const draft = draftReport(shop.people.lead, shop.context, { jobId });
    expect(draft.before.undecided).toEqual(['Head bearing']);
    expect(draft.before.open).toBeGreaterThan(20);
    const without = refused(() => issueReport(shop.people.lead, shop.context, { jobId }));
    expect(without.message).toMatch(
      /1 graded part is not decided; \d+ questions are open\. Settle that, or say why/,
    );
    expect(snapshot().reports).toEqual([]);
    issueReport(shop.people.lead, shop.context, { jobId, reason });
    const { document } = readReport(shop.people.lead, shop.context, { jobId, number: 1 });
    expect(document.issuedDespite).toEqual({ reason, by: 'The lead' });
    // Why it went out is no change of the unit.
    expect(
      refused(() => issueReport(shop.people.lead, shop.context, { jobId, reason: 'another' })).message,
    ).toContain('Nothing changed since issue 1');
  });

  it('of a unit with a corrected serial number can be issued again, and says so', () => {
    decideRepair('New head bearing.');
    issueReport(shop.people.lead, shop.context, { jobId, reason });
    const { id: _, bookedAt: __, ...job } = snapshot().job;
    editJob(shop.people.lead, shop.context, {
      jobId,
      edit: { ...job, serial: 'HX-9', customer: 'Farm of the hill' },
    });
    expect(issueReport(shop.people.lead, shop.context, { jobId, reason }).changes).toEqual([
      'The customer changed from Farm of the test to Farm of the hill.',
      'The serial number changed from not given to HX-9.',
    ]);
  });

  it('of a unit that nobody described, drained, opened or looked at says all of that', () => {
    jobId = bookTestUnit(shop, { peg: 777, unitTypeId: undefined });
    decideRepair('As he says.');
    const { document } = draftReport(shop.people.lead, shop.context, { jobId });
    expect(document.open.flatMap(({ questions }) => questions)).toEqual([
      'Not described: nobody has said yet what is in it',
      'Not opened: nothing of its inside has been looked at',
      'Nothing of it has been looked at',
      'Not drained: nobody has looked at the oil',
    ]);
    expect(refused(() => issueReport(shop.people.lead, shop.context, { jobId })).message).toContain(
      '4 questions are open',
    );
  });

  it('carries the evidence that decided, and no check that nobody read', () => {
    const keep = (content: RecordContent) =>
      keepRecord(shop.people.inspector, shop.context, {
        ...captureHead(jobId, shop.people.inspector),
        content,
      });
    keep({
      ...({ what: 'drained', version: 3, colour: 'black', smell: 'burnt', water: 'none' } as const),
      magnet: ['flakes'],
      glitter: 'none',
      note: '',
    });
    keep({ what: 'debris', piece: 'Half a roller', where: 'sump', colour: 'grey' });
    countIdentity(shop.people.inspector, shop.context, {
      ...captureHead(jobId, shop.people.inspector),
      ...{ pairId: 'pin-ring', version: 0, counts: { pinionTeeth: 12, ringTeeth: 41 } },
    });
    see('ring-gear', 'macropitting-progressive', 'drive flank');
    grade('ring-gear', 4);
    const { document } = draftReport(shop.people.lead, shop.context, { jobId });
    expect(document.evidence).toEqual([
      {
        title: 'The oil as it came out',
        lines: ['Litres not measured; black, smells burnt; no water; magnet: flakes.'],
      },
      {
        title: 'Teeth counted',
        lines: [
          expect.stringContaining('disagrees with pairs of this unit type (11/41). That is not settled.'),
        ],
      },
      { title: 'Pieces that were found', lines: ['Half a roller (sump): nothing accounts for it yet.'] },
    ]);
    expect(document.damaged.map(({ measured }) => measured)).toEqual([[]]);
    // Until somebody settles it neither gear goes back as it is.
    const reuse = () =>
      decidePart(shop.people.lead, shop.context, {
        jobId,
        entry: {
          positionId: 'pinion-head',
          version: 0,
          decision: 'reuse',
          reason: 'it looks well',
          riskBy: 'the owner',
        },
      });
    see('pinion-head', 'nothing-to-see', 'everywhere');
    grade('pinion-head', 0);
    expect(refused(reuse).message).toContain('Settle that first');
    keep({
      what: 'identity-settled',
      pairId: 'pin-ring',
      countVersion: 1,
      reason: 'the maker changed the set',
    });
    reuse();
    expect(draftReport(shop.people.lead, shop.context, { jobId }).document.evidence?.[1]?.lines[0]).toContain(
      'The inspector let it go on: the maker changed the set.',
    );
    expect(() =>
      keep({ what: 'identity-settled', pairId: 'pin-ring', countVersion: 1, reason: '' }),
    ).toThrow();
  });

  it('is frozen, chained by digest, and the second issue says what changed', () => {
    expect(refused(() => issueReport(shop.people.lead, shop.context, { jobId, reason })).message).toContain(
      'no decision for the unit',
    );
    decideRepair('New head bearing.');
    const first = issueReport(shop.people.lead, shop.context, { jobId, reason });
    expect(refused(() => issueReport(shop.people.lead, shop.context, { jobId, reason })).message).toContain(
      'Nothing changed since issue 1',
    );
    see('head-bearing', 'subsurface-fatigue', 'outer race');
    grade('head-bearing', 4);
    noteCause(shop.people.inspector, shop.context, {
      ...captureHead(jobId, shop.people.inspector),
      ...{ version: 0, words: 'w', plainWords: 'The bearing went first.', sureness: 'likely' },
    });
    const second = issueReport(shop.people.lead, shop.context, { jobId, reason });
    expect(second.changes).toEqual(
      expect.arrayContaining(['Head bearing is now graded 4, done.', 'The cause is now given.']),
    );
    const [one, two] = [1, 2].map((number) => readReport(shop.people.lead, shop.context, { jobId, number }));
    expect(one?.digest).toBe(first.digest);
    expect(two?.previousDigest).toBe(first.digest);
    expect(one?.document.damaged).toEqual([]);
  });

  it('opens to the customer by its link alone, until it expires or is withdrawn', () => {
    decideRepair('New head bearing.');
    issueReport(shop.people.lead, shop.context, { jobId, reason });
    const { token } = makeCustomerLink(shop.people.lead, shop.context, { jobId, number: 1 });
    const owner = ownerByToken(shop.context, token);
    const read = () => readLetter(owner, shop.context, undefined);
    expect(read().issue.document.unit.peg).toBe(501);
    expect(refused(() => ownerByToken(shop.context, `${token}x`))).toMatchObject({ status: 404 });
    expect(refused(() => ownerByToken(shop.context, `${token}x`)).message).toContain('leads nowhere');
    shop.setTime('2027-01-24T09:00:00.000Z');
    expect(refused(() => ownerByToken(shop.context, token))).toMatchObject({ status: 410 });
    expect(refused(() => ownerByToken(shop.context, token)).message).toContain('days of this link are over');
    shop.setTime('2026-11-24T10:00:00.000Z');
    withdrawCustomerLinks(shop.people.lead, shop.context, { jobId });
    expect(refused(() => ownerByToken(shop.context, token)).message).toContain('withdrawn');
    // Who holds an owner from before the link ended can do nothing with it either.
    expect(refused(read)).toMatchObject({ status: 410 });
  });
});
