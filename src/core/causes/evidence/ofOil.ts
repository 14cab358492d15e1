import type { RecordOf } from '@/model/recordKinds';
import type { JobSnapshot } from '@/model/snapshot';
import { unmatched } from '../../strip/debris';
import { judgeSample } from '../../strip/labSample';
import { recordsOf } from '../../strip/recordsOf';
import { SHORT_OIL, tellsLevel } from '../../strip/tellDrained';
import { type Derived, either, type Source, told } from './derived';

/** So much less than belongs in it is short; so much more is too much. */
const FULL = 0.92;
const OVER = 1.15;

const at = (words: string): Source => ({ words, station: 'drain' });

/** From the oil, what hung in it, and what the laboratory says. */
export function ofOil(job: JobSnapshot): Derived[] {
  const drained = recordsOf(job.records, 'drained').at(-1)?.content;
  return [...(drained ? ofDrained(drained, job) : []), ...ofDebris(job), ...ofLaboratory(job)];
}

function ofDrained(oil: RecordOf<'drained'>, job: JobSnapshot): Derived[] {
  const on = (thing: (typeof oil.magnet)[number]) => oil.magnet.includes(thing);
  const magnet = at(`On the magnet: ${oil.magnet.join(', ')}`);
  const colour = at(`Oil: ${oil.colour}`);
  const glitter = at(`Glitter: ${oil.glitter}`);
  return [
    ...ofQuantity(oil, job),
    either(
      'oil-milky',
      oil.colour === 'milky' || oil.water !== 'none',
      at(`Oil: ${oil.colour}, water: ${oil.water}`),
    ),
    ...(oil.colour === 'brown'
      ? [told('oil-dark', 'seen', colour, 1.5)]
      : [either('oil-dark', oil.colour === 'black', colour)]),
    either('oil-burnt', oil.smell === 'burnt', at(`Smell: ${oil.smell}`)),
    either('grey-paste', on('paste'), magnet),
    either('flakes', on('flakes'), magnet),
    either('slivers', on('slivers'), magnet),
    ...(on('chunks') ? [told('chunk', 'seen', magnet)] : []),
    either('yellow-metal', oil.glitter.includes('yellow'), glitter),
    either('silver-oil', oil.glitter.includes('grey'), glitter),
  ];
}

/** Short oil is evidence only where the unit came closed and level. */
function ofQuantity(oil: RecordOf<'drained'>, { unitType, job }: JobSnapshot): Derived[] {
  const { litres } = oil;
  const belongs = unitType.oil?.litres;
  if (litres === undefined || belongs === undefined) return [];
  const words = `${litres} l came out of ${belongs} l`;
  const cameOpen = job.received.signs.some(
    (sign) => sign === 'half in pieces, in a box' || sign === 'case cracked or broken',
  );
  if (cameOpen || !tellsLevel(oil))
    return [told('oil-short', 'lost', at(`${words}; it didn’t come closed and level`))];
  const share = litres / belongs;
  if (share < SHORT_OIL) return [told('oil-short', 'seen', at(words))];
  if (share > OVER) return [told('oil-over', 'seen', at(words)), told('oil-short', 'absent', at(words))];
  return share >= FULL
    ? [told('oil-short', 'absent', at(words)), told('oil-over', 'absent', at(words))]
    : [told('oil-short', 'seen', at(words), 1.5)];
}

function ofDebris({ records }: JobSnapshot): Derived[] {
  const pieces = recordsOf(records, 'debris').map(({ content }) => content);
  const grey = pieces.find(({ colour }) => colour === 'grey');
  const yellow = pieces.find(({ colour }) => colour === 'yellow');
  return [
    ...(grey ? [told('chunk', 'seen', at(`Debris: ${grey.piece}`))] : []),
    ...(yellow ? [told('yellow-metal', 'seen', at(`Debris: ${yellow.piece}`))] : []),
  ];
}

/** Pieces of which nobody knows where they came from: nothing explains them, whatever else is. */
export const withoutSource = ({ records }: Pick<JobSnapshot, 'records'>): string[] =>
  unmatched(records).map(({ piece }) => piece.content.piece);

const ELEMENTS: readonly (readonly [string, string])[] = [
  ['copper', 'lab-copper'],
  ['iron', 'lab-iron'],
  ['silicon', 'lab-silicon'],
  ['sodium', 'lab-sodium'],
];
/** The alloy's own ratio of copper to tin is about nine or ten. */
const ALLOYS_OWN = 12;

function ofLaboratory({ records, catalogs }: JobSnapshot): Derived[] {
  const samples = recordsOf(records, 'lab').map(({ content }) => content);
  const last = samples.at(-1);
  if (!last) return [];
  const judged = new Map(
    judgeSample(last, catalogs['oil-thresholds'], samples.at(-2)).map((each) => [each.id, each]),
  );
  const of = ELEMENTS.flatMap(([element, node]): Derived[] => {
    const each = judged.get(element);
    if (!each || each.level === 'untold') return [];
    const source = at(`Sample ${last.sample}: ${each.name.toLowerCase()} ${each.value} ppm`);
    if (each.level === 'watch') return [told(node, 'seen', source, 2.5)];
    return [either(node, each.level === 'act', source)];
  });
  const [copper, tin] = [judged.get('copper'), judged.get('tin')];
  if (!copper || !tin || copper.level === 'usual' || copper.level === 'untold') return of;
  const source = at(`Sample ${last.sample}: copper ${copper.value} ppm to tin ${tin.value} ppm`);
  return [...of, either('lab-copper-alone', copper.value > ALLOYS_OWN * tin.value, source)];
}
