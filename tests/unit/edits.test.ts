import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { readChanges } from '@/db/changeLog';
import type { JobEdit } from '@/model/job';
import { noteCause } from '@/server/causes/noteCause';
import { decidePart, decideUnit, keepDecision } from '@/server/decide/decide';
import { setGrade } from '@/server/grade/setGrade';
import { describePart } from '@/server/job/describePart';
import { editJob } from '@/server/job/editJob';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { makeCustomerLink, readReportByToken, withdrawCustomerLinks } from '@/server/report/customerLink';
import { draftReport, issueReport, readReport } from '@/server/report/issueReport';
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
    ).toContain('not looked at');
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

  it('is frozen, chained by digest, and the second issue says what changed', () => {
    expect(refused(() => issueReport(shop.people.lead, shop.context, { jobId })).message).toContain(
      'no decision for the unit',
    );
    decideRepair('New head bearing.');
    const first = issueReport(shop.people.lead, shop.context, { jobId });
    expect(refused(() => issueReport(shop.people.lead, shop.context, { jobId })).message).toContain(
      'Nothing changed since issue 1',
    );
    see('head-bearing', 'subsurface-fatigue', 'outer race');
    grade('head-bearing', 4);
    noteCause(shop.people.inspector, shop.context, {
      ...captureHead(jobId, shop.people.inspector),
      ...{ version: 0, words: 'w', plainWords: 'The bearing went first.', sureness: 'likely' },
    });
    const second = issueReport(shop.people.lead, shop.context, { jobId });
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
    issueReport(shop.people.lead, shop.context, { jobId });
    const { token } = makeCustomerLink(shop.people.lead, shop.context, { jobId, number: 1 });
    expect(readReportByToken(shop.context, token).document.unit.peg).toBe(501);
    expect(refused(() => readReportByToken(shop.context, `${token}x`)).status).toBe(404);
    shop.setTime('2027-01-24T09:00:00.000Z');
    expect(refused(() => readReportByToken(shop.context, token)).status).toBe(410);
    shop.setTime('2026-11-24T10:00:00.000Z');
    withdrawCustomerLinks(shop.people.lead, shop.context, { jobId });
    expect(refused(() => readReportByToken(shop.context, token)).message).toContain('no longer valid');
  });
});
