import type { RecordOf } from '@/model/recordKinds';

export interface PreloadInput {
  /** N·m, by the bearings that are in. */
  readonly band: { readonly min: number; readonly max: number };
  /** N·m of the bearings alone, the seal's drag taken off; the latest last. */
  readonly steady: number;
  /** Of the reading, N·m: one expanded uncertainty. */
  readonly doubt: number;
  readonly bearings: 'new' | 'used';
  readonly sleeve: RecordOf<'turning-torque'>['sleeve'];
  readonly turns: number;
}

export interface PreloadAdvice {
  readonly act:
    | 'turn-first'
    | 'within'
    | 'tighter'
    | 'too-close'
    | 'new-sleeve'
    | 'thicker-spacer'
    | 'looser';
  readonly words: string;
  /** N·m still to go to the middle of the band, where it goes tighter. */
  readonly toGo?: number;
  /** Degrees of the nut that a pinion of this kind usually needs for it, from and to: a warning, no aim. */
  readonly degrees?: readonly [number, number];
}

/** Grease and rollers settle: what is read before so many turns reads too high. */
export const SETTLED_TURNS = 15;
/** N·m for each degree of the nut, from soft to stiff pairs. */
export const PER_DEGREE = { soft: 0.2, stiff: 0.5 };

/**
 * What to do with a pinion's preload. A crushed sleeve only ever goes tighter: past the band it is a new one, and backing off is never
 * advised. A solid spacer gets thinner pieces for more preload and thicker ones for less.
 */
export function preloadAdvice({ band, steady, doubt, bearings, sleeve, turns }: PreloadInput): PreloadAdvice {
  const aim = (band.min + band.max) / 2;
  if (turns < SETTLED_TURNS)
    return {
      act: 'turn-first',
      words: `Turn it ${SETTLED_TURNS} times and read again: ${bearings === 'new' ? 'new rollers' : 'rollers'} settle, and until then it reads too high.`,
    };
  if (steady - doubt > band.max) return tooTight(sleeve);
  if (steady + doubt < band.min) return tooLoose(aim - steady, sleeve);
  if (steady - doubt >= band.min && steady + doubt <= band.max)
    return {
      act: 'within',
      words:
        sleeve === 'new'
          ? 'It stays. Mark the nut.'
          : 'It stays, on set-up drag: the new sleeve comes last of all.',
    };
  return {
    act: 'too-close',
    words:
      steady > aim
        ? 'Near the upper end: leave it, and read again when it has stood.'
        : 'Near the lower end: read again, then go on in small steps.',
  };
}

function tooTight(sleeve: PreloadInput['sleeve']): PreloadAdvice {
  if (sleeve === 'new' || sleeve === 'old')
    return {
      act: 'new-sleeve',
      words: 'Past the band: a new sleeve. Backed off, the nut holds nothing and the bearings run loose.',
    };
  return sleeve === 'solid'
    ? { act: 'thicker-spacer', words: 'Too tight: a thicker spacer.' }
    : { act: 'looser', words: 'Too tight for set-up drag: without a sleeve the nut may be eased.' };
}

function tooLoose(toGo: number, sleeve: PreloadInput['sleeve']): PreloadAdvice {
  if (sleeve === 'solid') return { act: 'tighter', words: 'Too loose: a thinner spacer, one step.', toGo };
  const degrees = [toGo / PER_DEGREE.stiff, toGo / PER_DEGREE.soft] as const;
  return {
    act: 'tighter',
    words:
      'Tighter in small steps, turning while you tighten, read after each. The nut’s own torque tells nothing.',
    ...{ toGo, degrees },
  };
}

/** The carrier's own part of a total turning torque: its bearings turn slower by the ratio. N·m at the carrier. */
export const carrierTorque = (total: number, pinion: number, ratio: number): number =>
  (total - pinion) * ratio;
