import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { FAMILIES } from '@/model/damage';
import type { HandResult } from '@/model/records/hand-test';
import type { BenchRecord } from '@/model/snapshot';
import { findMode } from '../catalogs/words';
import { tellOpen } from '../open/tellOpen';
import { handResults, handTestsOf, tellHandResult } from './handTests';
import { partState } from './partStanding';

const catalogs = catalogsAsShipped();
const bearing = { id: 'b', name: 'Head bearing', family: 'rolling-bearing' as const };
const tried = (testId: string, result: HandResult, at = 1): BenchRecord =>
  ({
    ...{ id: `h${at}`, author: 'Mirel', authorId: 'm', deviceTime: `2026-11-28T09:0${at}:00.000Z` },
    ...{ receivedAt: '', struck: null },
    content: { what: 'hand-test', positionId: 'b', testId, result, note: '' },
  }) as BenchRecord;
const stateOf = (position: Parameters<typeof partState>[0], records: readonly BenchRecord[]) =>
  partState(
    position,
    {
      ...{ readings: [], findings: [], grades: [], gauges: [], tooClosePolicy: 'hold', acceptances: [] },
      ...{ records, unitType: { checks: [] } },
    },
    catalogs,
  );

describe('tests by hand', () => {
  it('are each for families that exist, and a failure is a word of every one of them', () => {
    const tests = FAMILIES.flatMap((family) =>
      handTestsOf(catalogs, family).map((test) => ({ family, test })),
    );
    expect(tests.length).toBeGreaterThanOrEqual(8);
    for (const { family, test } of tests)
      if (test.failMode) expect(findMode(catalogs, family, test.failMode)?.id, test.id).toBe(test.failMode);
  });

  it('the last of each test holds', () => {
    const results = handResults(
      bearing,
      [tried('bearing-feel', 'fail', 1), tried('bearing-feel', 'pass', 2)],
      catalogs,
    );
    expect(results.map(tellHandResult)).toEqual(['turns freely']);
  });

  it('smooth by hand proposes no grade: it never proves a bearing sound', () => {
    const state = stateOf(bearing, [tried('bearing-feel', 'pass')]);
    expect(state.proposal.grade).toBeNull();
    expect(state.standing).toBe('open');
  });

  it('what can’t be said stays open', () => {
    const state = stateOf(bearing, [tried('bearing-feel', 'cannot-say')]);
    expect(state.openQuestions.map(tellOpen)).toContain('Bearing feel: tried by hand, and it can’t be said');
  });

  it('a failure that no word describes counts as a limit that is passed', () => {
    const gear = { id: 'b', name: 'Gear', family: 'gear-teeth' as const };
    expect(stateOf(gear, [tried('crack-test', 'fail')]).proposal.grade).toBe(4);
  });
});
