import type { Check } from '@/model/checks';
import { harmonicsAt } from './rotationSeries';
import type { CheckSeries } from './seriesOfCheck';

interface Words {
  readonly title: string;
  readonly text: string;
  /** The place that should be read again, if one stands alone. */
  readonly again?: string;
}

/** Order 1 and 2 of a backlash or run-out series have names at the bench. */
const MIN_SHARE = 0.5;

/** What a series says, in sentences for the bench: what stands alone, and whether the rest is eccentric or oval. */
export function tellSeries(
  { points, analysis }: CheckSeries,
  count: number,
  format: (value: number) => string,
  check: Pick<Check, 'twoPoint' | 'every'> = {},
): Words[] {
  if (!analysis)
    return [
      {
        title: `${points.length} of ${count} read`,
        text: 'Eccentric or oval: told once the readings reach round the circle.',
      },
    ];
  const words: Words[] = analysis.localPlaces.map((place) => {
    const point = points.find((each) => each.place === place)!;
    const expected = analysis.mean + harmonicsAt(analysis.harmonics, point.angleDeg);
    return {
      title: `${place[0]?.toUpperCase()}${place.slice(1)} stands alone`,
      text: `${format(point.value)}, where its neighbours say ${format(expected)}. Dirt, a nick or a burr under the plunger?`,
      again: place,
    };
  });
  words.push({ title: shapeOf(analysis.harmonics), text: totals(analysis, format) });
  const mate = analysis.harmonics[2];
  if (mate && check.every?.mateTeeth && format(2 * mate.amplitude) !== format(0))
    words.push({
      title: 'The mate’s own share',
      text: `${format(2 * mate.amplitude)} comes and goes ${mate.order.toFixed(2)} times a turn, with the turns of the mate of ${check.every.mateTeeth} teeth.`,
    });
  if (check.twoPoint)
    words.push({
      title: 'Across two points',
      text: 'Measured over opposite points only an oval shows; three lobes stay invisible.',
    });
  if (!analysis.localTestable)
    words.push({
      title: 'Too few points',
      text: `With ${points.length} places nicks and burrs cannot be told; 16 are needed.`,
    });
  return words;
}

function shapeOf(harmonics: readonly { readonly order: number; readonly amplitude: number }[]): string {
  const [first = 0, second = 0] = harmonics.map(({ amplitude }) => amplitude);
  if (first === 0 && second === 0) return 'Runs true';
  if (second > first * MIN_SHARE && first > second * MIN_SHARE) return 'Eccentric and oval together';
  return first >= second
    ? 'Once a turn: eccentric, or the ring tilted'
    : 'Twice a turn: oval, or the face warped';
}

function totals(
  { tir, tirWithoutLocal, fittedTir, localPlaces }: NonNullable<CheckSeries['analysis']>,
  format: (value: number) => string,
): string {
  const raw =
    localPlaces.length > 0
      ? `Total ${format(tir)} with ${localPlaces.length === 1 ? 'it' : 'them'}, ${format(tirWithoutLocal)} without`
      : `Total ${format(tir)}`;
  return `${raw}; the curve alone ${format(fittedTir)}.`;
}
