import type { Match } from './matching';
import type { Order } from './orders';
import type { Peak } from './peaks';

/** What nothing explains by itself, but something that was heard does. */
export interface Relative {
  readonly peak: Peak;
  /** “14 × of Head bearing, outer race”. */
  readonly words: string;
}

export interface Related {
  readonly relatives: readonly Relative[];
  /** What the tone of an order swells with, by the order's words: a body that turns. */
  readonly swellsWith: ReadonlyMap<string, string>;
}

/** A tone must be this likely its order's before others are said to come from it. */
const SURE = 0.5;
/** From the third multiple on: the first ones are orders themselves. */
const MULTIPLES = { least: 3, most: 60 };
/** In what a peak may be off: how far from a turn's distance a tone beside another may lie. */
const BESIDE = 1.5;
const ALIKE = 1e-6;
/** As a part of the frequency: what comes from one source stays together. */
const WITHIN = 0.0012;

/**
 * Multiples of what was heard, and tones to both sides of it at the distance of a turn: a mesh whose tone swells once with each turn of a
 * body has something wrong at one place of what turns with that body.
 * @param peaks all of them; those that are surely an order's own are none of these
 * @param turn Hz of the input, as it was heard
 */
export function relativesOf(
  peaks: readonly Peak[],
  matches: readonly Match[],
  orders: readonly Order[],
  turn: number,
): Related {
  const sure = matches.filter(({ share, order }) => share >= SURE && order.kind !== 'turn');
  const turns = orders.filter(({ kind }) => kind === 'turn');
  const swellsWith = new Map<string, string>();
  const isSure = new Set(sure.map(({ peak }) => peak));
  const relatives = peaks.flatMap((peak): Relative[] => {
    if (peak.isMains || isSure.has(peak)) return [];
    for (const { order, peak: heard } of sure) {
      if (heard.level < peak.level) continue;
      const apart = Math.abs(peak.frequency - heard.frequency);
      const off = (each: Order) => Math.abs(apart - each.order * turn);
      // Of several that turn alike, what one of its own gears sits on.
      const rank = (each: Order) => (each.positions.some((id) => order.positions.includes(id)) ? 0 : 1);
      const [nearest] = [...turns].sort((one, other) =>
        Math.abs(one.order - other.order) < ALIKE ? rank(one) - rank(other) : off(one) - off(other),
      );
      const beside = nearest && off(nearest) <= BESIDE * peak.within ? nearest : undefined;
      if (!beside || order.kind !== 'mesh') continue;
      const name = beside.of.replace(/, once a turn$/, '');
      swellsWith.set(order.of, name);
      return [{ peak, words: `${order.of}, a turn of ${name} beside it` }];
    }
    for (const { order, peak: heard } of sure) {
      if (order.multiple !== 1) continue;
      const times = Math.round(peak.frequency / heard.frequency);
      if (times < MULTIPLES.least || times > MULTIPLES.most) continue;
      if (near(peak.frequency, times * heard.frequency, Math.max(peak.within, WITHIN * peak.frequency)))
        return [{ peak, words: `${times} × of ${order.of}` }];
    }
    return [];
  });
  return { relatives, swellsWith };
}

const near = (value: number, wanted: number, within: number): boolean => Math.abs(value - wanted) <= within;
