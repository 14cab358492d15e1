import type { Order, OrderKind } from './orders';
import type { Peak } from './peaks';

export interface Match {
  readonly order: Order;
  readonly peak: Peak;
  /** How likely this peak is this order's, of all that lie within reach and of what the unit doesn't make at all. */
  readonly share: number;
}

export interface Matched {
  /** The highest peak first, and of one peak the likeliest order first. */
  readonly matches: readonly Match[];
  /** What no order of this unit explains, the highest first. */
  readonly unmatched: readonly Peak[];
  /** By which part the speed seems to be off what was said; 0 where nothing tells it. */
  readonly speedOff: number;
}

/** How much sooner one is met than another, before anything is heard: hand-set, from what shops hear. */
const USUAL: Readonly<Record<OrderKind, number>> = {
  ...{ mesh: 1, outer: 0.6, inner: 0.5, roller: 0.35, cage: 0.05, turn: 0.25 },
};
const MULTIPLE = 0.35;
const UNLOADED = 0.4;
/** A part of all peaks that the unit doesn't make: the road, the engine, the room. They lie anywhere. */
const OTHERS = 0.3;
/** ln of the range in which others lie. */
const RANGE = 6;
/** The speed is off by nothing sooner than by all that its doubt allows: a normal course as wide as this part of the doubt. */
const USUALLY_WITHIN = 0.7;
const STEPS = 160;
/** Less of a peak than this is no match. */
const LEAST_SHARE = 0.03;

/**
 * Peaks held against the orders of a unit within what the doubt of its speed allows. All orders share one speed, so that several peaks
 * tell it together: each speed within reach is weighed by how well it explains all peaks, and each order by what it explains at those.
 * @param reference Hz: turns of the input by the speed that was said
 * @param doubt by which that may be off, as a part of it
 */
export function matchOrders(
  peaks: readonly Peak[],
  orders: readonly Order[],
  reference: number,
  doubt: number,
): Matched {
  const own = peaks.filter(({ isMains }) => !isMains);
  const usual = weighed(orders);
  const reached = own.map((peak) => withinReach(peak, usual, reference, doubt));
  const speeds = Array.from({ length: STEPS + 1 }, (_, at) => doubt * ((2 * at) / STEPS - 1));
  const weights = speedWeights(reached, speeds, doubt);
  const sums = reached.map((reach) => sharesOf(reach, speeds, weights));
  const matches = own.flatMap((peak, at) =>
    reached[at]!.candidates.map(({ order }, index) => ({ order, peak, share: sums[at]![index]! }))
      .filter(({ share }) => share >= LEAST_SHARE)
      .sort((a, b) => b.share - a.share),
  );
  const isTold = new Set(matches.map(({ peak }) => peak));
  return {
    matches,
    unmatched: peaks.filter((peak) => !isTold.has(peak)),
    speedOff: matches.length === 0 ? 0 : speeds.reduce((sum, speed, at) => sum + speed * weights[at]!, 0),
  };
}

interface Weighed {
  readonly order: Order;
  readonly usual: number;
}

function weighed(orders: readonly Order[]): Weighed[] {
  const raw = orders.map((order) => ({
    order,
    usual:
      USUAL[order.kind] *
      (order.multiple > 1 ? MULTIPLE / (order.multiple - 1) : 1) *
      (order.carriesLoad ? 1 : UNLOADED),
  }));
  const all = raw.reduce((sum, { usual }) => sum + usual, 0) || 1;
  return raw.map(({ order, usual }) => ({ order, usual: usual / all }));
}

interface Reach {
  readonly level: number;
  /** As a part of the frequency. */
  readonly within: number;
  readonly candidates: readonly (Weighed & {
    /** ln of what was heard over what was expected. */
    readonly off: number;
  })[];
}

function withinReach(
  { frequency, within, level }: Peak,
  orders: readonly Weighed[],
  reference: number,
  doubt: number,
): Reach {
  const part = Math.max(within / frequency, LEAST_WITHIN);
  return {
    ...{ level, within: part },
    candidates: orders.flatMap((each) => {
      const off = Math.log(frequency / (each.order.order * reference));
      return Math.abs(off) <= doubt + part ? [{ ...each, off }] : [];
    }),
  };
}
/** Geometry of bearings is never known better. */
const LEAST_WITHIN = 0.001;

const normal = (off: number, within: number): number =>
  Math.exp(-0.5 * (off / within) ** 2) / (within * Math.sqrt(2 * Math.PI));

/** How well each speed explains all peaks, together 1. */
function speedWeights(reached: readonly Reach[], speeds: readonly number[], doubt: number): number[] {
  const top = Math.max(...reached.map(({ level }) => level));
  const logs = speeds.map((speed) =>
    reached.reduce(
      // What stands highest tells most: low ones are often sidebands of another.
      (sum, reach) => sum + (reach.level / top) ** 2 * Math.log(likelihood(reach, speed)),
      -0.5 * (speed / (doubt * USUALLY_WITHIN)) ** 2,
    ),
  );
  const most = Math.max(...logs);
  const raw = logs.map((each) => Math.exp(each - most));
  const all = raw.reduce((sum, each) => sum + each, 0);
  return raw.map((each) => each / all);
}

const likelihood = ({ candidates, within }: Reach, speed: number): number =>
  OTHERS / RANGE +
  candidates.reduce((sum, { off, usual }) => sum + (1 - OTHERS) * usual * normal(off - speed, within), 0);

/** How likely a peak is each of its candidates', over all speeds. */
function sharesOf(reach: Reach, speeds: readonly number[], weights: readonly number[]): number[] {
  const shares = reach.candidates.map(() => 0);
  for (const [at, speed] of speeds.entries()) {
    const all = likelihood(reach, speed);
    for (const [index, { off, usual }] of reach.candidates.entries())
      shares[index]! += (weights[at]! * (1 - OTHERS) * usual * normal(off - speed, reach.within)) / all;
  }
  return shares;
}
