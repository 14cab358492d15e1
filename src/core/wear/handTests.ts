import type { Catalogs } from '@/model/catalogs';
import type { Family, HandTest } from '@/model/damage';
import type { HandResult } from '@/model/records/hand-test';
import type { BenchRecord } from '@/model/snapshot';
import { recordsOf } from '../strip/recordsOf';

type Definitions = Pick<Catalogs, 'damage-words'>;

/** The tests by hand that a family of parts is tried by. */
export const handTestsOf = (catalogs: Definitions, family: Family): readonly HandTest[] =>
  (catalogs['damage-words'].handTests ?? []).filter(({ families }) => families.includes(family));

export interface HandResultOf {
  readonly test: HandTest;
  readonly result: HandResult;
  readonly note: string;
  readonly by: string;
}

/** What a part was tried by, the last of each test. */
export function handResults(
  { id, family }: { readonly id: string; readonly family: Family },
  records: readonly BenchRecord[],
  catalogs: Definitions,
): HandResultOf[] {
  const own = recordsOf(records, 'hand-test').filter(({ content }) => content.positionId === id);
  return handTestsOf(catalogs, family).flatMap((test) => {
    const last = own.filter(({ content }) => content.testId === test.id).at(-1);
    return last ? [{ test, result: last.content.result, note: last.content.note, by: last.author }] : [];
  });
}

/** A result in the protocol's own words. */
export const tellHandResult = ({ test, result }: Pick<HandResultOf, 'test' | 'result'>): string =>
  result === 'pass' ? test.passWord : result === 'fail' ? test.failWord : 'can’t say';
