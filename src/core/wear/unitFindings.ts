import type { JobSnapshot } from '@/model/snapshot';
import { findActive } from './active';
import type { PartState } from './partStanding';
import type { UnitFinding } from './unitFinding';
import { type SeenParts, spreadOverUnit } from './unitSpread';

/*
 * What the parts say of the unit when they are taken together: worked out from findings and never from grades, so that one judgement isn't
 * counted twice.
 */

type Facts = Pick<JobSnapshot, 'findings' | 'unitType'>;

/** All that holds of a unit at this moment, each with what it rests on and what is still open. */
export function unitFindings(
  facts: Facts,
  parts: readonly Pick<PartState, 'position' | 'judgements'>[] = [],
): UnitFinding[] {
  const seen = modesByPart(facts);
  const beyond = new Set(
    parts
      .filter(({ judgements }) => judgements.some(({ judgement }) => judgement.word === 'beyond'))
      .map(({ position }) => position.id),
  );
  const known: SeenParts = new Map(
    [...new Set([...seen.keys(), ...beyond])].map((id) => [
      id,
      { modes: seen.get(id) ?? new Set<string>(), beyond: beyond.has(id) },
    ]),
  );
  return [
    ...scuffing(facts, seen),
    ...oneShaft(facts, seen),
    ...dents(facts, seen),
    ...heat(facts, seen),
    ...copper(facts, seen),
    ...spreadOverUnit(facts.unitType, known),
  ];
}

type Seen = ReadonlyMap<string, ReadonlySet<string>>;

function modesByPart({ findings }: Facts): Seen {
  const seen = new Map<string, Set<string>>();
  for (const { positionId, mode } of findActive(findings))
    seen.set(positionId, (seen.get(positionId) ?? new Set()).add(mode));
  return seen;
}

const has = (seen: Seen, positionId: string, pattern: RegExp): boolean =>
  [...(seen.get(positionId) ?? [])].some((mode) => pattern.test(mode));

const SCUFFING = /^scuffing/;

function scuffing({ unitType }: Facts, seen: Seen): UnitFinding[] {
  const gears = new Map(unitType.gears.map((gear) => [gear.id, gear]));
  const meshes = unitType.meshes.flatMap(({ a, b }) => {
    const pair = [gears.get(a), gears.get(b)];
    return pair[0] && pair[1] ? [pair as [(typeof pair)[0] & object, (typeof pair)[0] & object]] : [];
  });
  if (meshes.length < 2) return [];
  const looked = meshes.filter((pair) => pair.some(({ position }) => seen.has(position)));
  const open = meshes.filter((pair) => !looked.includes(pair));
  const scuffed = looked.filter((pair) => pair.some(({ position }) => has(seen, position, SCUFFING)));
  const name = (pair: (typeof meshes)[number]) => pair.map(({ teeth }) => teeth).join('·');
  const openWords = open.length > 0 ? ` Not looked at yet: ${open.map(name).join(', ')}.` : '';
  const rest = {
    restsOn: [...new Set(scuffed.flatMap((pair) => pair.map(({ position }) => position)))],
    stillOpen: [...new Set(open.flatMap((pair) => pair.map(({ position }) => position)))],
  };
  if (looked.length >= 2 && scuffed.length === looked.length)
    return [
      {
        ...{ code: 'scuffing-every-mesh', title: 'Scuffing on every mesh', ...rest },
        words: `All ${looked.length} of ${meshes.length} meshes that were looked at are scuffed: ${scuffed.map(name).join(', ')}.${openWords}`,
      },
    ];
  if (scuffed.length === 1 && looked.length >= 3)
    return [
      {
        ...{ code: 'scuffing-one-mesh', title: 'Scuffing on one mesh alone', ...rest },
        words: `${name(scuffed[0]!)} is scuffed, ${looked.length - 1} others that were looked at are not.${openWords}`,
      },
    ];
  return [];
}

const HARMLESS = /^(nothing-to-see|polishing|earlier-repair)$/;

function oneShaft({ unitType }: Facts, seen: Seen): UnitFinding[] {
  const onShafts = unitType.positions.filter(({ axis }) => axis !== undefined);
  const damaged = onShafts.filter(({ id }) => [...(seen.get(id) ?? [])].some((mode) => !HARMLESS.test(mode)));
  const axes = new Set(damaged.map(({ axis }) => axis));
  const looked = onShafts.filter(({ id, axis }) => seen.has(id) && !axes.has(axis));
  if (axes.size !== 1 || damaged.length < 3 || looked.length < 3) return [];
  const axis = unitType.axes.find(({ id }) => id === [...axes][0]);
  return [
    {
      ...{ code: 'damage-one-shaft', title: `Damage on one shaft alone: ${axis?.name ?? 'one'}` },
      words: `${damaged.length} parts of it are damaged; of the other shafts ${looked.length} parts were looked at and none is.`,
      restsOn: damaged.map(({ id }) => id),
      stillOpen: onShafts.filter(({ id, axis }) => !seen.has(id) && !axes.has(axis)).map(({ id }) => id),
    },
  ];
}

function dents({ unitType }: Facts, seen: Seen): UnitFinding[] {
  const bearings = unitType.positions.filter(({ family }) => family === 'rolling-bearing');
  const dented = bearings.filter(({ id }) => has(seen, id, /^(particle-dents|indentation)$/));
  if (dented.length < 2) return [];
  const open = bearings.filter(({ id }) => !seen.has(id));
  return [
    {
      ...{ code: 'dents-through-bearings', title: 'Debris has gone through the bearings' },
      words: `${dented.length} of ${bearings.length - open.length} bearings that were looked at have dents from particles.`,
      restsOn: dented.map(({ id }) => id),
      stillOpen: open.map(({ id }) => id),
    },
  ];
}

function heat({ unitType }: Facts, seen: Seen): UnitFinding[] {
  const hot = unitType.positions.filter(({ id }) => has(seen, id, /heat-colou?r|blued/));
  const families = new Set(hot.map(({ family }) => family));
  if (hot.length < 3 || families.size < 2) return [];
  return [
    {
      ...{ code: 'heat-everywhere', title: 'Heat colour on parts of several kinds' },
      words: `${hot.map(({ name }) => name).join(', ')} show heat colour.`,
      ...{ restsOn: hot.map(({ id }) => id), stillOpen: [] },
    },
  ];
}

function copper({ unitType }: Facts, seen: Seen): UnitFinding[] {
  const alloy = unitType.positions.filter(
    ({ family }) => family === 'bush-washer-pin' || family === 'synchro-ring',
  );
  const lost = alloy.filter(({ id }) => has(seen, id, /^copper-(loss|film)$/));
  const open = alloy.filter(({ id }) => !seen.has(id));
  const looked = alloy.length - open.length;
  if (lost.length < 2) return [];
  return [
    {
      code: 'copper-loss-several',
      title:
        lost.length === looked
          ? 'Copper alloy is eaten wherever one looked'
          : 'Copper alloy is eaten in several places',
      words: `${lost.length} of ${looked} bushes, washers, pins and rings that were looked at have lost their copper alloy.`,
      ...{ restsOn: lost.map(({ id }) => id), stillOpen: open.map(({ id }) => id) },
    },
  ];
}
