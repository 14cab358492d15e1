import type { Family } from '@/model/damage';
import type { PartDecisionId } from '@/model/job';
import type { Policies } from '@/model/policies';
import type { JobSnapshot } from '@/model/snapshot';
import type { Position } from '@/model/unitType';
import { policiesInForce } from '../decisions/policiesInForce';
import { expectedPieces } from '../strip/inventory';
import { kindOfPart } from '../unit-type/kindOfPart';

/** A part that has to be new, or from another unit. */
export interface Need {
  readonly part: string;
  readonly name: string;
  readonly qty: number;
  /** Of them so many are to spare. */
  readonly spare: number;
  readonly decision: PartDecisionId;
  /** No make below this is good enough here. */
  readonly leastTier: number;
}

export interface Needs {
  readonly needs: readonly Need[];
  /** Parts of a set that must come from one source. */
  readonly together: readonly (readonly [string, string])[];
}

/** Decisions by which a piece goes in that wasn't in it. */
export const NEW: ReadonlySet<PartDecisionId> = new Set([
  'replace',
  'replace-with-mate',
  'replace-one-use',
  'from-donor',
]);
/** What the decisions of a job make necessary; what nobody has decided needs nothing yet. */
export function needsOf(job: Pick<JobSnapshot, 'unitType' | 'decisions' | 'records' | 'policies'>): Needs {
  const { policies } = policiesInForce(job);
  const decided = new Map(job.decisions.map(({ positionId, decision }) => [positionId, decision]));
  const needs = job.unitType.positions.flatMap((position): Need[] => {
    const decision = decided.get(position.id);
    if (!decision || !NEW.has(decision)) return [];
    const spare = policies.spares === 'one' && kindOfPart(position).kind?.spoiltInFitting ? 1 : 0;
    return [
      {
        ...{ part: position.id, name: position.name, qty: expectedPieces(position) + spare, spare, decision },
        leastTier: decision === 'from-donor' ? 1 : leastTier(position, policies),
      },
    ];
  });
  const needed = new Set(needs.map(({ part }) => part));
  return {
    needs,
    together: job.unitType.sets.flatMap(({ positions }) => {
      const own = positions.filter((id) => needed.has(id));
      return own.slice(1).map((id, at) => [own[at]!, id] as const);
    }),
  };
}

const TIER_OF = { any: 1, named: 2, maker: 3 } as const;
const GEARS: ReadonlySet<Family> = new Set([
  ...(['gear-teeth', 'dog-teeth', 'hub-sleeve-fork', 'shaft-spline', 'differential-unit'] as const),
]);

function leastTier({ family }: Position, policies: Policies): number {
  if (family === 'rolling-bearing') return TIER_OF[policies['make-bearings']];
  return GEARS.has(family) ? TIER_OF[policies['make-gears']] : 1;
}
