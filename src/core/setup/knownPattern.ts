import { known, type Linear } from './gaussian';
import type { Flank, Sensitivities } from './patternAdvice';
import {
  AXES,
  type Axis,
  EYE,
  FLANKS,
  perBacklash,
  perDepth,
  SENSITIVITY_DOUBT,
  type SetupRound,
  standings,
} from './setupRounds';

/** Where a patch was before anything is known of it, and how far from there it may be, as shares of the flank. */
const MIDDLE = 0.5;
const ANYWHERE = 0.3;

export interface KnownPlace {
  readonly flank: Flank;
  readonly axis: Axis;
  /** Where the patch is now. */
  readonly now: { readonly value: number; readonly deviation: number };
  /** For a millimetre of depth, and of backlash, as this unit has shown it. */
  readonly perDepth: number;
  readonly perBacklash: number;
  /** One standard deviation of each. */
  readonly doubts: { readonly perDepth: number; readonly perBacklash: number };
  /** By round: how strange its reading looks beside all others; rounds without one are left out. */
  readonly strange: readonly { readonly round: number; readonly z: number }[];
}

/**
 * What the marks of all rounds say together of where the patches are and of how this unit answers: each flank and direction by itself.
 * `backlash` is the mean of each round, mm. Nothing for a flank that nobody marked.
 */
export function knownPattern(
  rounds: readonly SetupRound[],
  backlash: readonly number[],
  sensitivities: Sensitivities,
): KnownPlace[] {
  const places = standings(rounds);
  return FLANKS.flatMap((flank) =>
    AXES.flatMap((axis): KnownPlace[] => {
      const told = rounds.flatMap((round, at) => {
        const place = round[flank];
        return place ? [{ round: at, value: place[axis] }] : [];
      });
      if (told.length === 0) return [];
      const [byDepth, byBacklash] = [
        perDepth(sensitivities, flank, axis),
        perBacklash(sensitivities, flank, axis),
      ];
      const row = (round: number) => [1, places[round]!.depth, backlash[round]! - backlash[0]!];
      const readings: Linear[] = told.map(({ round, value }) => ({ row: row(round), value, doubt: EYE }));
      const found = known(
        [MIDDLE, byDepth, byBacklash],
        [ANYWHERE, SENSITIVITY_DOUBT * Math.abs(byDepth), SENSITIVITY_DOUBT * Math.abs(byBacklash)],
        readings,
      );
      return [
        {
          ...{ flank, axis, now: found.of(row(rounds.length - 1)) },
          ...answers(found.of([0, 1, 0]), found.of([0, 0, 1])),
          strange: found.strangeness.map((z, at) => ({ round: told[at]!.round, z })),
        },
      ];
    }),
  );
}

interface Told {
  readonly value: number;
  readonly deviation: number;
}

const answers = (depth: Told, more: Told): Pick<KnownPlace, 'perDepth' | 'perBacklash' | 'doubts'> => ({
  ...{ perDepth: depth.value, perBacklash: more.value },
  doubts: { perDepth: depth.deviation, perBacklash: more.deviation },
});
