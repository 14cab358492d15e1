import type { JobSnapshot } from '@/model/snapshot';
import { unplaced } from '../causes/placeNetwork';
import { recordsOf } from '../strip/recordsOf';
import { findActive } from '../wear/active';

type Facts = Pick<JobSnapshot, 'unitType' | 'findings' | 'records' | 'cause'>;

const BROKEN: ReadonlySet<string> = new Set([
  ...['bending-fatigue-fracture', 'overload-fracture', 'tooth-flank-fracture', 'fracture-unreadable'],
]);
const TEST = 'crack-test';

/**
 * The parts that must pass a crack test before they are used again, each with why: what meshes with a broken tooth, what stands beside it on its
 * body and its mates', and their shafts; after a blow every gear and every shaft. Those that have passed it are left out.
 */
export function crackTestsOpen(facts: Facts): ReadonlyMap<string, string> {
  const passed = new Set<string>();
  for (const { content } of recordsOf(facts.records, 'hand-test'))
    if (content.testId === TEST) {
      if (content.result === 'pass') passed.add(content.positionId);
      else passed.delete(content.positionId);
    }
  return new Map([...afterBlow(facts), ...besideBroken(facts)].filter(([id]) => !passed.has(id)));
}

function afterBlow({ cause, unitType }: Facts): (readonly [string, string])[] {
  const roots = cause?.conclusion?.roots ?? [];
  if (!roots.some((id) => unplaced(id).node === 'shock-load')) return [];
  return unitType.positions
    .filter(({ family }) => family === 'gear-teeth' || family === 'shaft-spline')
    .map(({ id }) => [id, 'a blow went through it'] as const);
}

function besideBroken({ findings, unitType }: Facts): (readonly [string, string])[] {
  const { gears, meshes, positions } = unitType;
  const positionOf = (id: string) => positions.find((position) => position.id === id);
  const broken = new Set(
    findActive(findings)
      .filter(({ mode, positionId }) => BROKEN.has(mode) && positionOf(positionId)?.family === 'gear-teeth')
      .map(({ positionId }) => positionId),
  );
  return [...broken].flatMap((id) => {
    const own = gears.filter(({ position }) => position === id).map((gear) => gear.id);
    const mates = meshes
      .filter(({ a, b }) => own.includes(a) || own.includes(b))
      .flatMap(({ a, b }) => [a, b])
      .flatMap((gear) => gears.find((each) => each.id === gear)?.position ?? []);
    const bodies = new Set([id, ...mates].flatMap((each) => positionOf(each)?.body ?? []));
    const why = `a tooth of the ${positionOf(id)!.name.toLowerCase()} broke`;
    return positions
      .filter(
        (position) =>
          !broken.has(position.id) &&
          (mates.includes(position.id) ||
            (bodies.has(position.body ?? '') &&
              (position.family === 'gear-teeth' || position.family === 'shaft-spline'))),
      )
      .map((position) => [position.id, why] as const);
  });
}
