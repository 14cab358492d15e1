import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { crackTestsOpen } from '@/core/decisions/crackTest';
import { acceptable, fatesOf } from '@/core/decisions/fates';
import { partProposal } from '@/core/decisions/partProposal';
import { policiesInForce } from '@/core/decisions/policiesInForce';
import { needsOf } from '@/core/planning/needs';
import { partStates } from '@/core/wear/partStates';
import type { FindingContent, Grade } from '@/model/damage';
import type { PartDecisionId } from '@/model/job';
import { USUAL_POLICIES } from '@/model/policies';
import type { RecordContent } from '@/model/recordKinds';
import { noteCause } from '@/server/causes/noteCause';
import { decidePart } from '@/server/decide/decide';
import { setGrade } from '@/server/grade/setGrade';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { readWays, setPolicies } from '@/server/shop/ways';
import { keepRecord } from '@/server/strip/keepRecord';
import { noteFinding } from '@/server/strip/noteFinding';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  refusalOf as refused,
  type TestShop,
} from '../fixtures/shop';

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterEach(() => shop.close());

const head = () => captureHead(jobId, shop.people.inspector);
const keep = (content: RecordContent) =>
  keepRecord(shop.people.inspector, shop.context, { ...head(), content });
const see = (positionId: string, mode: string, place: FindingContent['place'], grade: Grade) => {
  noteFinding(shop.people.inspector, shop.context, {
    ...head(),
    positionId,
    mode,
    place,
    severity: 'moderate',
  });
  setGrade(shop.people.inspector, shop.context, {
    jobId,
    entry: { positionId, version: 0, grade, reason: 'so it is' },
  });
};
const sound = (positionId: string, grade: Grade = 0) =>
  see(positionId, 'nothing-to-see', 'everywhere', grade);
const decide = (positionId: string, decision: PartDecisionId, over: object = {}) =>
  decidePart(shop.people.lead, shop.context, {
    jobId,
    entry: { positionId, version: 0, decision, reason: '', ...over },
  });
const proposed = (positionId: string) => {
  const snapshot = gatherSnapshot(shop.context.db, jobId);
  const parts = partStates(snapshot);
  return partProposal(parts.find(({ position }) => position.id === positionId)!, parts, snapshot);
};

describe('what is proposed for a part', () => {
  it('goes with a sister that broke by a known weakness; kept all the same, somebody takes the risk', () => {
    see('spider-washer-upper', 'tang-sheared', 'tang', 5);
    sound('spider-washer-lower');
    expect(proposed('spider-washer-lower')).toMatchObject({ decision: 'replace', binds: true });
    expect(proposed('spider-washer-lower').reason).toContain('TW-117 B');
    const reuse = (over: object) => () => decide('spider-washer-lower', 'reuse', over);
    expect(refused(reuse({})).message).toContain('Say why');
    expect(refused(reuse({ reason: 'no other to be had' })).message).toContain('who takes the risk');
    reuse({ reason: 'no other to be had', riskBy: 'Bero Stannick' })();
    expect(gatherSnapshot(shop.context.db, jobId).decisions).toMatchObject([
      { riskBy: 'Bero Stannick', reason: 'no other to be had' },
    ]);
  });

  it('goes along with its set when a person decides one of it', () => {
    for (const id of ['ring-gear', 'pinion-head']) sound(id);
    expect(proposed('pinion-head').decision).toBe('clean-reuse');
    decide('ring-gear', 'replace', { reason: 'the owner wants it' });
    expect(proposed('pinion-head')).toMatchObject({ decision: 'replace-with-mate', binds: true });
  });

  it('stays open for a crack test beside a broken tooth and after a blow, until it is passed', () => {
    for (const id of ['pinion', 'side-gear-left']) sound(id);
    see('pinion-head', 'overload-fracture', 'root', 5);
    const open = () => [...crackTestsOpen(gatherSnapshot(shop.context.db, jobId)).keys()];
    // Mate and shaft of the broken one; what turns elsewhere isn't asked.
    expect(open()).toEqual(expect.arrayContaining(['ring-gear', 'pinion']));
    expect(open()).not.toContain('side-gear-left');
    expect(open()).not.toContain('pinion-head');
    const result = (positionId: string, passed: 'pass' | 'fail') =>
      keep({ what: 'hand-test', positionId, testId: 'crack-test', result: passed, note: 'penetrant' });
    result('pinion', 'pass');
    expect(open()).not.toContain('pinion');
    noteCause(shop.people.inspector, shop.context, {
      ...{ ...head(), version: 0, words: 'w', plainWords: 'p', sureness: 'likely' },
      conclusion: { roots: ['shock-load'], networkRevision: 1, ranking: [], findings: {}, soft: {} },
    });
    expect(open()).toEqual(expect.arrayContaining(['axle-shaft-left', 'yoke']));
    sound('yoke');
    expect(proposed('yoke')).toMatchObject({ decision: 'not-decided' });
    expect(refused(() => decide('yoke', 'reuse', { reason: 'r', riskBy: 'x' })).message).toContain(
      'a crack test is open',
    );
  });

  it('goes with what was concluded as the cause, but not with what is only possible', () => {
    sound('carrier-bearing-left');
    const conclude = (sureness: string, version: number) =>
      noteCause(shop.people.inspector, shop.context, {
        ...{ ...head(), version, words: 'w', plainWords: 'p', sureness },
        conclusion: { roots: ['water-in-oil'], networkRevision: 1, ranking: [], findings: {}, soft: {} },
      });
    conclude('possible', 0);
    expect(proposed('carrier-bearing-left').decision).toBe('clean-reuse');
    conclude('likely', 1);
    expect(proposed('carrier-bearing-left')).toMatchObject({ decision: 'replace', binds: true });
  });
});

describe('how a shop does it', () => {
  it('holds for every job but those that go their own way, and stands on the job', () => {
    sound('head-bearing', 1);
    expect(readWays(shop.people.inspector, shop.context, undefined).policies).toEqual(USUAL_POLICIES);
    expect(refused(() => setPolicies(shop.people.inspector, shop.context, USUAL_POLICIES)).code).toBe(
      'no-right',
    );
    expect(
      refused(() => setPolicies(shop.people.lead, shop.context, { ...USUAL_POLICIES, spares: 'many' })).code,
    ).toBe('bad-input');
    setPolicies(shop.people.lead, shop.context, { ...USUAL_POLICIES, bearings: 'renew' });
    expect(proposed('head-bearing')).toMatchObject({ decision: 'replace' });
    expect(proposed('head-bearing').binds).toBeUndefined();
    keep({ what: 'policy-set', policy: 'bearings', choice: 'keep', reason: 'they are a year old' });
    expect(proposed('head-bearing').decision).toBe('clean-reuse');
    const own = () => policiesInForce(gatherSnapshot(shop.context.db, jobId)).own;
    expect(own()).toMatchObject({ bearings: { reason: 'they are a year old' } });
    // What this program doesn't know counts for nothing; without a choice it is the shop's way again.
    keep({ what: 'policy-set', policy: 'bearings', choice: 'burn', reason: 'nonsense' });
    keep({ what: 'policy-set', policy: 'colour', choice: 'red', reason: 'nonsense' });
    expect(proposed('head-bearing').decision).toBe('clean-reuse');
    keep({ what: 'policy-set', policy: 'bearings', reason: 'as always' });
    expect(own()).toEqual({});
    expect(proposed('head-bearing').decision).toBe('replace');
  });

  it('orders one to spare of what flies in fitting, and from whom it trusts', () => {
    decide('lock-pin', 'replace-one-use');
    decide('pinion-seal', 'replace-one-use');
    const needs = () => needsOf(gatherSnapshot(shop.context.db, jobId)).needs;
    expect(needs()).toMatchObject([
      { part: 'lock-pin', qty: 2, spare: 1 },
      { part: 'pinion-seal', qty: 1, spare: 0 },
    ]);
    setPolicies(shop.people.lead, shop.context, { ...USUAL_POLICIES, spares: 'none' });
    expect(needs()[0]).toMatchObject({ qty: 1, spare: 0 });
  });
});

describe('the fates of the parts', () => {
  it('gather decided and proposed ones, sets together, and tell what one act may accept', () => {
    see('pinion-head', 'scuffing', 'drive flank', 4);
    sound('head-bearing', 1);
    const gathered = () => {
      const snapshot = gatherSnapshot(shop.context.db, jobId);
      return fatesOf(snapshot, partStates(snapshot));
    };
    const group = (fate: PartDecisionId) => gathered().find((each) => each.fate === fate);
    expect(group('replace-with-mate')?.rows.map(({ part }) => part.position.id)).toEqual([
      'pinion-head',
      'ring-gear',
      'pinion',
    ]);
    expect(
      group('replace-with-mate')?.rows.every(
        ({ set, isProposed }) => set === 'Ring gear and pinion' && isProposed,
      ),
    ).toBe(true);
    expect(gathered().reduce((sum, { rows }) => sum + rows.length, 0)).toBe(36);
    const ids = acceptable(gathered()).map(({ part }) => part.position.id);
    expect(ids).toEqual(
      expect.arrayContaining(['pinion-head', 'ring-gear', 'pinion', 'head-bearing', 'crush-sleeve']),
    );
    // What nobody has looked at is never accepted along.
    expect(ids).not.toContain('tail-bearing');
    decide('head-bearing', 'clean-reuse');
    expect(acceptable(gathered()).map(({ part }) => part.position.id)).not.toContain('head-bearing');
  });
});
