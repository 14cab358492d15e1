import type { UnitType } from '@/model/unitType';
import type { UnitFinding } from './unitFinding';

/* More of what the parts say when they are taken together: how damage is spread over the unit. */

/** What is known of one part: the words that were noted on it, and whether any of its measurements lies beyond its limit. */
export interface SeenOf {
  readonly modes: ReadonlySet<string>;
  readonly beyond: boolean;
}
export type SeenParts = ReadonlyMap<string, SeenOf>;

const has = (seen: SeenParts, id: string, pattern: RegExp): boolean =>
  [...(seen.get(id)?.modes ?? [])].some((mode) => pattern.test(mode));

export function spreadOverUnit(unitType: UnitType, seen: SeenParts): UnitFinding[] {
  return [
    ...tracksOnOneSide(unitType, seen),
    ...debrisThroughMeshes(unitType, seen),
    ...engagementOfSomeGears(unitType, seen),
    ...wornAllOver(unitType, seen),
  ];
}

function tracksOnOneSide({ positions }: UnitType, seen: SeenParts): UnitFinding[] {
  const bearings = positions.filter(({ family }) => family === 'rolling-bearing');
  const oneSided = bearings.filter(({ id }) => has(seen, id, /^one-sided-track$/));
  if (oneSided.length < 2) return [];
  const open = bearings.filter(({ id }) => !seen.has(id));
  const looked = bearings.length - open.length;
  return [
    {
      ...{ code: 'tracks-one-sided', title: 'Rollers ran on one side' },
      words: `${oneSided.length} of ${looked} bearings that were looked at have their track on one side.`,
      ...{ restsOn: oneSided.map(({ id }) => id), stillOpen: open.map(({ id }) => id) },
    },
  ];
}

const MARKS = /^(foreign-body-mark|indentation|tip-chipping)$/;

function debrisThroughMeshes({ gears, meshes }: UnitType, seen: SeenParts): UnitFinding[] {
  const at = new Map(gears.map((gear) => [gear.id, gear]));
  const pairs = meshes.flatMap(({ a, b }) => {
    const [one, other] = [at.get(a), at.get(b)];
    return one && other ? [[one, other] as const] : [];
  });
  const marked = pairs.filter((pair) => pair.some(({ position }) => has(seen, position, MARKS)));
  if (marked.length < 2) return [];
  const open = pairs.filter((pair) => !pair.some(({ position }) => seen.has(position)));
  const named = (list: typeof pairs) =>
    list.map((pair) => pair.map(({ teeth }) => teeth).join('·')).join(', ');
  const partsOf = (list: typeof pairs) => [
    ...new Set(list.flatMap((pair) => pair.map(({ position }) => position))),
  ];
  return [
    {
      ...{ code: 'debris-through-meshes', title: 'Something went round through the gears' },
      words: `Marks of it on ${named(marked)}.${open.length > 0 ? ` Not looked at yet: ${named(open)}.` : ''}`,
      restsOn: partsOf(marked).filter((id) => has(seen, id, MARKS)),
      stillOpen: partsOf(open),
    },
  ];
}

const ENGAGEMENT = /^(peaks-rounded|dog-chipped|back-taper-lost|end-rounding|worn-smooth|reserve-gone)$/;

/** Worn where some gears engage, and sound where the others do: how it was driven, or what one gear has of its own. */
function engagementOfSomeGears({ positions, couplings, states }: UnitType, seen: SeenParts): UnitFinding[] {
  const gears = states.flatMap(({ gear, engaged }) => {
    const bodies = new Set(couplings.filter(({ id }) => engaged.includes(id)).flatMap(({ ties }) => ties));
    const own = positions.filter(({ family, body }) => family === 'dog-teeth' && body && bodies.has(body));
    return own.length === 0 ? [] : [{ gear, own }];
  });
  const looked = gears.filter(({ own }) => own.some(({ id }) => seen.has(id)));
  const worn = looked.filter(({ own }) => own.some(({ id }) => has(seen, id, ENGAGEMENT)));
  if (worn.length === 0 || worn.length === looked.length || looked.length < 3) return [];
  return [
    {
      ...{
        code: 'engagement-some-gears',
        title: `Worn where ${worn.map(({ gear }) => gear).join(', ')} engage`,
      },
      words: `Of ${looked.length} gears whose engagement was looked at the others show no such wear.`,
      restsOn: worn.flatMap(({ own }) => own.map(({ id }) => id)).filter((id) => has(seen, id, ENGAGEMENT)),
      stillOpen: gears.filter((each) => !looked.includes(each)).flatMap(({ own }) => own.map(({ id }) => id)),
    },
  ];
}

const WEAR =
  /^(moderate-wear|severe-wear|worn-smooth|pad-worn|groove-worn|worn-thin|lining-worn|clutch-pack-worn|guide-worn)$/;
/** So many kinds of part have to say it, each on its own account. */
const KINDS = 4;

function wornAllOver({ positions }: UnitType, seen: SeenParts): UnitFinding[] {
  const worn = positions.filter(({ id }) => seen.get(id)?.beyond || has(seen, id, WEAR));
  const kinds = new Set(worn.map(({ family }) => family));
  if (kinds.size < KINDS || worn.length < 6) return [];
  const open = positions.filter(({ id }) => !seen.has(id));
  return [
    {
      ...{ code: 'worn-all-over', title: 'Worn all over' },
      words: `${worn.length} parts of ${kinds.size} kinds are worn or beyond a limit.`,
      ...{ restsOn: worn.map(({ id }) => id), stillOpen: open.map(({ id }) => id) },
    },
  ];
}
