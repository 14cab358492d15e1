import type { JobSnapshot } from '@/model/snapshot';
import type { Position } from '@/model/unitType';
import { type AdjusterMove, adjusterMove } from '../setup/adjusterMove';
import { type PackMove, packMove, packNow } from './packs';
import type { SetUp } from './setUp';

export interface AdjusterTold {
  readonly position: Position;
  /** Backed off first, then the other one is tightened. */
  readonly way: 'out' | 'in';
}

/** How an advised move is made on this unit: with which pieces, or by how many notches; and what it really comes to. */
export interface HowToMove {
  readonly packs: PackMove | undefined;
  readonly adjusters: { readonly move: AdjusterMove; readonly told: readonly AdjusterTold[] } | undefined;
  /** mm, as the pieces or notches make it. */
  readonly ring: number;
  readonly depth: number;
}

type Sources = Pick<JobSnapshot, 'unitType' | 'records' | 'shims'>;

export function howToMove(
  sources: Sources,
  { pair, advice }: Pick<SetUp, 'pair' | 'advice'>,
): HowToMove | undefined {
  if (advice?.status !== 'move' || !advice.move) return undefined;
  const { unitType, shims = [] } = sources;
  const { stacks, positions } = unitType;
  const packs = stacks.some(({ sets }) => sets === 'backlash' || sets === 'depth')
    ? packMove({
        ...{ move: advice.move, stacks, onHand: shims },
        now: (stack) => packNow(sources, pair, stack),
      })
    : undefined;
  const adjusters = adjustersFor(positions, advice.move.ring);
  // What nothing on hand makes is told as it was figured: a move that only the pieces at hand would give is another one.
  const canBeMade = packs?.trouble === '' && packs.packs.every(({ toBuy }) => toBuy === undefined);
  const byPacks = packs && canBeMade ? packs : advice.move;
  return { packs, adjusters, ring: adjusters ? adjusters.move.moved : byPacks.ring, depth: byPacks.depth };
}

function adjustersFor(positions: readonly Position[], ring: number): HowToMove['adjusters'] {
  const threaded = positions.filter(({ adjuster }) => adjuster !== undefined);
  if (threaded.length < 2 || ring === 0) return undefined;
  const wanted = ring > 0 ? 'away' : 'toward';
  const move = adjusterMove(ring, threaded[0]!.adjuster!);
  // Out comes first: with both tightened against each other nothing moves.
  const told = threaded
    .map((position) => ({ position, way: position.adjuster!.tightened === wanted ? 'in' : 'out' }) as const)
    .sort((a, b) => (a.way === b.way ? 0 : a.way === 'out' ? -1 : 1));
  return { move, told };
}
