import { BASE_RATES, type CauseNetwork } from '@/model/causeNetwork';
import { betaQuantile } from '../metrology/distributions';
import { unplaced } from './placeNetwork';

/** A settled job: what it concluded, and what was true in the end. */
export interface SettledCase {
  /** What the ranking put first then, without its place; empty where nothing was ranked. */
  readonly ranked: readonly { readonly id: string; readonly probability: number }[];
  /** Whether an independent check confirmed the conclusion. */
  readonly confirmed: boolean;
  /** The true causes; empty where a refuted conclusion left them unknown. */
  readonly roots: readonly string[];
}

/** The weight of the document's own rate, in cases. */
const PRIOR_CASES = 10;

export interface ShopRate {
  readonly root: string;
  readonly rate: number;
  readonly cases: number;
  readonly of: number;
  /** The 90 % beta interval of the rate. */
  readonly interval: readonly [low: number, high: number];
}

/**
 * A root's rate from the shop's settled jobs of a family: (10·b + k)/(10 + n), with k of n that had it, once per unit whatever the place.
 * A refuted conclusion whose true cause nobody knows counts for nothing here.
 */
export function shopRates({ nodes }: CauseNetwork, cases: readonly SettledCase[]): ShopRate[] {
  const settled = cases
    .filter(({ roots }) => roots.length > 0)
    .map(({ roots }) => new Set(roots.map((id) => unplaced(id).node)));
  return nodes
    .filter(({ kind }) => kind === 'root')
    .map(({ id, base }) => {
      const k = settled.filter((roots) => roots.has(id)).length;
      const n = settled.length;
      const [a, all] = [PRIOR_CASES * BASE_RATES[base ?? 'uncommon'] + k, PRIOR_CASES + n];
      const interval = [betaQuantile(0.05, a, all - a), betaQuantile(0.95, a, all - a)] as const;
      return { root: id, rate: a / all, cases: k, of: n, interval };
    });
}

export interface Calibration {
  /** Of the settled jobs with a ranking: how often its first was right. */
  readonly right: number;
  readonly of: number;
}

export function firstWasRight(cases: readonly SettledCase[]): Calibration {
  const ranked = cases.filter(({ ranked: list, roots }) => list.length > 0 && roots.length > 0);
  const right = ranked.filter(({ ranked: [first], roots }) =>
    roots.some((id) => unplaced(id).node === unplaced(first!.id).node),
  );
  return { right: right.length, of: ranked.length };
}
