import type { BenchRecord, ShimsOnHand } from '@/model/snapshot';
import type { UnitType } from '@/model/unitType';
import { BadInput } from '../badInput';
import { carrierShims } from '../setup/carrierShims';
import { type Stock, shimStack } from '../setup/shimStack';
import { shimsAsFound, stripPlan } from '../strip/stripPlan';
import { roundsOf } from './rounds';

export type Stack = UnitType['stacks'][number];

export interface Pack {
  readonly stack: Stack;
  /** Thick to thin, mm, as it lies now; empty where nobody has said. */
  readonly before: readonly number[];
  readonly after: readonly number[];
  /** mm: sums of both, and what it should come to. */
  readonly was: number;
  readonly becomes: number;
  readonly target: number;
  /** The piece to buy or make, where what is on hand comes no nearer. */
  readonly toBuy: number | undefined;
}

export interface PackMove {
  readonly packs: readonly Pack[];
  /** mm: what the pieces really do, the ring away from the pinion and the pinion toward the ring. */
  readonly ring: number;
  readonly depth: number;
  /** Why no packs can be told; empty where they can. */
  readonly trouble: string;
}

/** Measured pieces are thicker or thinner by so much, and so near is near enough; mm. */
const TOLERANCE = 0.01;

/** Stacks that take the same pieces: of one kind and one range they are one drawer. */
export const drawerOf = ({ sets, range }: Stack): string => `${sets} ${range.min}-${range.max}`;

/**
 * What lies in a stack: as the last round had it, else as the strip found it. Where something was moved that goes by this stack and nobody said which
 * pieces went in, it isn't known any more.
 */
export function packNow(
  { unitType, records }: { readonly unitType: UnitType; readonly records: readonly BenchRecord[] },
  pair: string | undefined,
  stack: Stack,
): readonly number[] {
  let pieces: readonly number[] = shimsAsFound(stripPlan(unitType, records), stack.position);
  for (const { content } of pair === undefined ? [] : roundsOf(records, pair)) {
    const said = content.packs?.find(({ stackId }) => stackId === stack.id)?.pieces;
    const by = stack.sets === 'depth' ? content.moved?.depth : content.moved?.ring;
    pieces = said ?? ((by ?? 0) === 0 ? pieces : []);
  }
  return [...pieces].sort((a, b) => b - a);
}

const sum = (pieces: readonly number[]): number => pieces.reduce((all, each) => all + each, 0);
const round = (value: number): number => Math.round(value * 1e4) / 1e4;

interface Asked {
  readonly move: { readonly ring: number; readonly depth: number };
  readonly stacks: readonly Stack[];
  readonly now: (stack: Stack) => readonly number[];
  readonly onHand: readonly ShimsOnHand[];
}

/**
 * The packs that make an advised move: from the pieces on hand and those that come out. With a stack on each side of the carrier one gives what
 * the other takes, so that the preload stays; the depth's stack goes by its own sign.
 */
export function packMove({ move, stacks, now, onHand }: Asked): PackMove {
  const plus = stacks.find(({ sets, sign }) => sets === 'backlash' && sign === 1);
  const minus = stacks.find(({ sets, sign }) => sets === 'backlash' && sign === -1);
  const depthStack = stacks.find(({ sets }) => sets === 'depth');
  const none = { packs: [], ...move };
  const isMissing = (stack: Stack | undefined, by: number) =>
    stack !== undefined && by !== 0 && now(stack).length === 0;
  const unknown = [
    ...(isMissing(plus, move.ring) ? [plus!.letter] : []),
    ...(isMissing(minus, move.ring) ? [minus!.letter] : []),
    ...(isMissing(depthStack, move.depth) ? [depthStack!.letter] : []),
  ];
  if (unknown.length > 0)
    return {
      ...none,
      trouble: `Which shims lie in ${unknown.join(' and ')} now was not put down: measure them and say it with the next round.`,
    };
  try {
    const ring = move.ring === 0 ? [] : ringPacks(move.ring, plus, minus, now, onHand);
    const depth =
      move.depth === 0 || !depthStack
        ? []
        : [onePack(depthStack, now(depthStack), move.depth * depthStack.sign, onHand)];
    return { packs: [...ring, ...depth], ...moved(ring, depth, move), trouble: '' };
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    return { ...none, trouble: `With these stacks the move can’t be made: ${error.message}.` };
  }
}

const gain = ({ becomes, was }: Pack): number => becomes - was;

function moved(ring: readonly Pack[], depth: readonly Pack[], asked: Asked['move']) {
  const byRing = ring.reduce((all, pack) => all + gain(pack) * pack.stack.sign, 0) / Math.max(1, ring.length);
  const byDepth = depth.reduce((all, pack) => all + gain(pack) * pack.stack.sign, 0);
  return {
    ring: ring.length === 0 ? asked.ring : round(byRing),
    depth: depth.length === 0 ? asked.depth : round(byDepth),
  };
}

function ringPacks(
  by: number,
  plus: Stack | undefined,
  minus: Stack | undefined,
  now: Asked['now'],
  onHand: readonly ShimsOnHand[],
): Pack[] {
  if (plus && minus && drawerOf(plus) === drawerOf(minus)) {
    const [left, right] = [now(plus), now(minus)];
    const stock = stockOf(plus, [...left, ...right], onHand);
    const simple = bothByOne({ left, right, by, stock: stockOf(plus, [], onHand) });
    if (simple) return [packOf(plus, left, simple.left, stock), packOf(minus, right, simple.right, stock)];
    // A backlash of ten that should come to ten and the move: only the move counts here.
    const found = carrierShims({
      ...{ unit: 'mm', left: sum(left), right: sum(right), backlash: 10, factor: 1, preloadChange: 0 },
      ...{ backlashBand: { min: 10 + by, max: 10 + by }, ringSide: 'right', stock, tolerance: TOLERANCE },
    });
    return [
      packOf(plus, left, found.left, without(stock, found.right.pieces)),
      packOf(minus, right, found.right, without(stock, found.left.pieces)),
    ];
  }
  return [plus, minus].flatMap((stack) =>
    stack ? [onePack(stack, now(stack), by * stack.sign, onHand)] : [],
  );
}

function onePack(stack: Stack, before: readonly number[], by: number, onHand: readonly ShimsOnHand[]): Pack {
  const target = round(sum(before) + by);
  if (target < 0) throw new BadInput(stack.letter, 'it would need a stack thinner than nothing');
  const stock = stockOf(stack, before, onHand);
  const [simple] = byOne(before, target, stockOf(stack, [], onHand));
  if (simple) return packOf(stack, before, simple, stock);
  const { pieces, total } = shimStack({ unit: 'mm', target, tolerance: TOLERANCE, stock, maxPieces: 6 });
  return packOf(stack, before, { target, pieces, total }, stock);
}

interface Chosen {
  readonly target: number;
  readonly pieces: readonly number[];
  readonly total: number;
}

/** Stacks that come of one piece taken out, put in or exchanged, the nearest first: whoever does it moves no more than he must. */
function byOne(before: readonly number[], target: number, stock: Stock): Chosen[] {
  const leaves = [undefined, ...new Set(before)];
  const comes = [undefined, ...stock.filter(({ count }) => count > 0).map(({ thickness }) => thickness)];
  return leaves
    .flatMap((out) => comes.map((piece) => ({ out, piece })))
    .map(({ out, piece }): Chosen => {
      const at = out === undefined ? -1 : before.indexOf(out);
      const pieces = [...before.filter((_, each) => each !== at), ...(piece === undefined ? [] : [piece])];
      return { target, pieces, total: round(sum(pieces)) };
    })
    .filter(({ total }) => Math.abs(total - target) <= TOLERANCE + 1e-9)
    .sort(
      (a, b) => Math.abs(a.total - target) - Math.abs(b.total - target) || a.pieces.length - b.pieces.length,
    );
}

/** The same on both sides of a carrier from one drawer: what leaves one side may go into the other. */
function bothByOne({
  left,
  right,
  by,
  stock,
}: {
  readonly left: readonly number[];
  readonly right: readonly number[];
  readonly by: number;
  readonly stock: Stock;
}): { readonly left: Chosen; readonly right: Chosen } | undefined {
  const freed = (before: readonly number[], after: readonly number[]) => [
    ...without(stock, exchanged({ before, after }).in),
    ...exchanged({ before, after }).out.map((thickness) => ({ thickness, count: 1 })),
  ];
  const [wantedLeft, wantedRight] = [round(sum(left) + by), round(sum(right) - by)];
  const pairs = [
    ...byOne(left, wantedLeft, stock).flatMap((first) =>
      byOne(right, wantedRight, freed(left, first.pieces)).map((second) => ({ left: first, right: second })),
    ),
    ...byOne(right, wantedRight, stock).flatMap((second) =>
      byOne(left, wantedLeft, freed(right, second.pieces)).map((first) => ({ left: first, right: second })),
    ),
  ];
  // The preload is the sum of both sides: what changes it least comes first, then what comes nearest the move.
  const spread = (pair: (typeof pairs)[number]) =>
    Math.abs(pair.left.total + pair.right.total - sum(left) - sum(right));
  const error = (pair: (typeof pairs)[number]) =>
    Math.abs(pair.left.total - wantedLeft) + Math.abs(pair.right.total - wantedRight);
  return pairs.sort((a, b) => round(spread(a) - spread(b)) || error(a) - error(b))[0];
}

function packOf(
  stack: Stack,
  before: readonly number[],
  { target, pieces, total }: Chosen,
  stock: Stock,
): Pack {
  const isNear = Math.abs(total - target) <= TOLERANCE + 1e-9;
  return {
    ...{ stack, before, after: [...pieces].sort((a, b) => b - a) },
    ...{ was: round(sum(before)), becomes: round(total), target: round(target) },
    toBuy: isNear
      ? undefined
      : round(shimStack({ unit: 'mm', target, tolerance: TOLERANCE, stock, maxPieces: 6 }).toBuy ?? target),
  };
}

/** What is on hand for a stack, with the pieces that lie in it already. */
function stockOf(stack: Stack, own: readonly number[], onHand: readonly ShimsOnHand[]): Stock {
  const kept = onHand.find(({ drawer }) => drawer === drawerOf(stack))?.pieces ?? [];
  return [...kept.map((each) => ({ ...each })), ...own.map((thickness) => ({ thickness, count: 1 }))];
}

function without(stock: Stock, pieces: readonly number[]): Stock {
  const left = stock.map((kind) => ({ ...kind }));
  for (const piece of pieces) {
    const kind = left.find(({ thickness, count }) => thickness === piece && count > 0);
    if (kind) kind.count -= 1;
  }
  return left;
}

/** What comes out of a stack and what goes in. */
export function exchanged({ before, after }: Pick<Pack, 'before' | 'after'>): {
  readonly out: readonly number[];
  readonly in: readonly number[];
} {
  const stays = [...after];
  const out: number[] = [];
  for (const piece of before) {
    const at = stays.indexOf(piece);
    if (at < 0) out.push(piece);
    else stays.splice(at, 1);
  }
  return { out, in: stays };
}
