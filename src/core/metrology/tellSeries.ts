import type { Check } from '@/model/checks';
import { harmonicsAt } from './rotationSeries';
import type { CheckSeries } from './seriesOfCheck';
import { LEAST_FOR_SPREAD, type SpreadOfPlaces } from './spreadOfPlaces';

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
  { points, analysis, spread }: CheckSeries,
  count: number,
  format: (value: number) => string,
  check: Pick<Check, 'twoPoint' | 'every'> = {},
): Words[] {
  const told = spread ? tellSpread(spread, format) : [];
  if (!analysis)
    return [
      ...told,
      {
        title: `${points.length} of ${count} read`,
        text: check.twoPoint
          ? 'Round or oval: told once the readings reach all the way.'
          : 'Eccentric or oval: told once the readings reach round the circle.',
      },
    ];
  const words: Words[] = analysis.localPlaces.map((place) => {
    const point = points.find((each) => each.place === place)!;
    const expected = analysis.mean + harmonicsAt(analysis.harmonics, point.angleDeg);
    return {
      title: `${capital(place)} stands alone`,
      text: `${format(point.value)}, where its neighbours say ${format(expected)}. Dirt, a nick or a burr under the plunger?`,
      again: place,
    };
  });
  words.push(...told, { title: shapeOf(analysis.harmonics), text: totals(analysis, format) });
  const mate = analysis.harmonics.find(({ order }) => !Number.isInteger(order));
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
  if (!analysis.localTestable && !spread)
    words.push({
      title: 'Too few points',
      text: `With ${points.length} places nicks and burrs cannot be told; 16 are needed.`,
    });
  return words;
}

/** The places of a ring as a sample: what stands out of it, by place. */
function tellSpread(
  { n, mean, deviation, testable, apart, oval }: SpreadOfPlaces,
  format: (value: number) => string,
): Words[] {
  const sample = `Mean ${format(mean)}${deviation === undefined ? '' : `, standard deviation ${format(deviation)}`} over ${n} ${n === 1 ? 'place' : 'places'}.`;
  if (!testable)
    return [
      {
        title: 'Too few to tell what stands apart',
        text: `${sample} Under ${LEAST_FOR_SPREAD} places nothing can be called an outlier.`,
      },
    ];
  const tested = oval ? ' The ring is oval; tested on what the oval leaves.' : '';
  const [first] = apart;
  return first === undefined
    ? [{ title: 'No place stands apart', text: `${sample}${tested}` }]
    : [
        {
          title: `${listed(apart)} ${apart.length === 1 ? 'stands' : 'stand'} apart from the rest`,
          text: `${sample}${tested} Read again before the ring is judged by it.`,
          again: first,
        },
      ];
}

const capital = (text: string): string => `${text[0]?.toUpperCase() ?? ''}${text.slice(1)}`;
const listed = (places: readonly string[]): string =>
  capital(places.length < 2 ? (places[0] ?? '') : `${places.slice(0, -1).join(', ')} and ${places.at(-1)}`);

function shapeOf(harmonics: readonly { readonly order: number; readonly amplitude: number }[]): string {
  const of = (order: number) => harmonics.find((each) => each.order === order)?.amplitude ?? 0;
  const [first, second] = [of(1), of(2)];
  if (!harmonics.some(({ order }) => order === 1))
    return second === 0 ? 'Round, as far as two points tell' : 'Oval';
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
