import type { Family } from '@/model/damage';
import { IDENTITY_KEYS, type IdentityKey } from '@/model/offers';
import type { JobSnapshot } from '@/model/snapshot';
import type { Position } from '@/model/unitType';
import { againstNumber } from '../unit-type/strippedPieces';
import { recordsOf } from './recordsOf';

/** By what a part of a family is told from one that looks like it, beside what stands on it. Gears are counted in pairs. */
export function identityKeysOf(family: Family): readonly IdentityKey[] {
  switch (family) {
    case 'rolling-bearing':
    case 'fastener-seal':
    case 'bush-washer-pin':
      return ['bore', 'outer', 'width'];
    case 'shaft-spline':
    case 'hub-sleeve-fork':
      return ['splines'];
    default:
      return [];
  }
}

export interface IdentityOfPart {
  readonly mark: string;
  readonly figures: readonly {
    readonly key: IdentityKey;
    readonly name: string;
    readonly unit: string;
    readonly value: number;
  }[];
  /** What of it speaks against the rest; empty where nothing does. */
  readonly against: string;
}

/** What was read off a part, counted and measured on it; of each the last one counts. */
export function identityOfPart(
  { id, family }: Position,
  { records }: Pick<JobSnapshot, 'records'>,
): IdentityOfPart {
  const mark = recordsOf(records, 'mark-read').findLast(({ content }) => content.positionId === id)?.content
    .mark;
  const measured = recordsOf(records, 'identity-measured').filter(({ content }) => content.positionId === id);
  const figures = IDENTITY_KEYS.flatMap(({ id: key, name, unit }) => {
    const value = measured.findLast(({ content }) => content.key === key)?.content.value;
    return value === undefined ? [] : [{ key, name, unit, value }];
  });
  const bore = figures.find(({ key }) => key === 'bore')?.value;
  return {
    ...{ mark: mark ?? '', figures },
    against:
      family === 'rolling-bearing' && mark !== undefined && bore !== undefined
        ? againstNumber({ kind: 'bearing', number: mark, size: { inner: bore } })
        : '',
  };
}

/** In a sentence's words; empty where nobody read anything. */
export function tellIdentity({ mark, figures, against }: IdentityOfPart): string {
  const told = [
    ...(mark === '' ? [] : [`marked ${mark}`]),
    ...figures.map(({ name, unit, value }) => `${name} ${value}${unit && ` ${unit}`}`),
  ].join(', ');
  return [told, against].filter(Boolean).join('; ');
}
