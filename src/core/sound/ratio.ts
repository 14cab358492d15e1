import type { OrderKind } from './orders';
import { SOUND_EVIDENCE } from './soundEvidence';

export interface HeardAs {
  readonly kind: OrderKind;
  /** Over the noise nearby, dB. */
  readonly level: number;
  /** How likely the peak is this order's. */
  readonly share: number;
  readonly in: 'spectrum' | 'envelope';
}

export const GROUPS = ['mesh', 'bearing', 'bearing-beats'] as const;
/** Borders of how loud, dB, and of how likely it is this order's. */
export const LEVELS = [9, 15, 22];
export const SHARES = [0.15, 0.4, 0.75];

const below = (borders: readonly number[], value: number): number => {
  const found = borders.findIndex((border) => value < border);
  return found < 0 ? borders.length : found;
};

/** The group, how loud, and how likely: by these a heard order is weighed. */
export function cellOf({ kind, level, share, in: where }: HeardAs): string {
  const group = kind === 'mesh' ? 'mesh' : where === 'envelope' ? 'bearing-beats' : 'bearing';
  return `${group} ${below(LEVELS, level)} ${below(SHARES, share)}`;
}

/**
 * P(heard like this | the place is bad) : P(heard like this | it is sound), from made recordings (`demo/sound/calibrate.ts`). What turns once
 * a turn is heard of everything that isn't quite round, and says nothing.
 */
export const ratioOf = (heard: HeardAs): number =>
  heard.kind === 'turn' ? 1 : (SOUND_EVIDENCE[cellOf(heard)] ?? 1);
