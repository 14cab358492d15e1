import type { UnitType } from '@/model/unitType';
import { trainInGear } from '../gearing/trainOfType';
import type { ProofLine } from './proofList';

/** A mark on a shaft is read to so much of a turn by eye, at each end. */
const READ_TO = 1 / 8;

/** One line for each gear whose ratio the description tells: turned by hand, counted at both ends. */
export function ratioLines(unit: UnitType): ProofLine[] {
  if (unit.states.length < 2) return [];
  const ratios = ratiosOf(unit);
  return unit.states.flatMap(({ gear }): ProofLine[] =>
    !ratios.has(gear)
      ? []
      : [
          {
            ...{ id: `ratio:${gear}`, group: 'hand', title: `${gear}: turns free, ratio counted` },
            how: 'Gear in, the input turned by hand until the output’s mark comes round; count both. The more turns, the surer.',
            ...{ pass: 'Turns free', fail: 'Binds or jumps out' },
            figures: [
              { id: 'in', words: 'Input', unit: 'turns', needed: true },
              { id: 'out', words: 'Output', unit: 'turns', needed: true },
            ],
          },
        ],
  );
}

/** By description: a train is solved once, not for every record that comes in. */
const solved = new WeakMap<UnitType, ReadonlyMap<string, number>>();

function ratiosOf(unit: UnitType): ReadonlyMap<string, number> {
  const known = solved.get(unit);
  if (known) return known;
  const ratios = new Map(
    unit.states.flatMap(({ gear }): [string, number][] => {
      const found = trainInGear(unit, gear);
      return found.described && found.ratio !== undefined ? [[gear, Math.abs(found.ratio)]] : [];
    }),
  );
  solved.set(unit, ratios);
  return ratios;
}

/**
 * What counted turns say of the gear that is in: it is the one selected; another one; or too few turns were counted to tell.
 * `counted` and `expected` are turns of the input for one of the output. A count is doubted by an eighth of a turn at each end.
 */
export function tellCounted(
  unit: UnitType,
  gear: string,
  { input, output }: { readonly input: number; readonly output: number },
):
  | {
      readonly says: 'agrees' | 'another' | 'too-few';
      readonly counted: number;
      readonly expected: number;
      readonly like?: string;
    }
  | undefined {
  const ratios = ratiosOf(unit);
  const expected = ratios.get(gear);
  if (expected === undefined || output === 0 || input === 0) return undefined;
  const counted = Math.abs(input / output);
  const doubt = counted * (READ_TO / Math.abs(input) + READ_TO / Math.abs(output));
  const fits = (ratio: number) => Math.abs(ratio - counted) <= doubt;
  const others = [...ratios].filter(([each, ratio]) => each !== gear && Math.abs(ratio - expected) > 1e-9);
  const like = others.find(([, ratio]) => fits(ratio))?.[0];
  if (!fits(expected)) return { says: 'another', counted, expected, ...(like === undefined ? {} : { like }) };
  return like === undefined
    ? { says: 'agrees', counted, expected }
    : { says: 'too-few', counted, expected, like };
}
