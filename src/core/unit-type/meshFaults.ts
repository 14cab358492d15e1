import type { Gear, Mesh } from '@/model/train';
import type { UnitType } from '@/model/unitType';
import type { Fault } from './fault';

const DEFAULT_TOLERANCE_MM = 0.5;

/** Meshes that can't be: modules or helices that differ, distances that don't fit, planets that can't be spaced. */
export function meshFaults(type: UnitType): Fault[] {
  return type.meshes.flatMap((mesh, index) => {
    const a = type.gears.find((gear) => gear.id === mesh.a);
    const b = type.gears.find((gear) => gear.id === mesh.b);
    if (!a || !b) return [];
    const path = `meshes.${index}`;
    if (mesh.kind !== 'gears') return [];
    return [
      ...pairFaults(a, b, path),
      ...distanceFaults(type, mesh, a, b, path),
      ...planetFaults(mesh, a, b, path),
    ];
  });
}

const isCylindrical = (gear: Gear) => ['spur', 'helical', 'internal'].includes(gear.kind);

function pairFaults(a: Gear, b: Gear, path: string): Fault[] {
  const faults: Fault[] = [];
  const differ = (what: string) =>
    faults.push({
      path,
      message: `${a.id} and ${b.id} differ in ${what}: they cannot mesh`,
      blocks: 'train',
    });
  if (isCylindrical(a) !== isCylindrical(b)) differ('kind');
  if (a.module !== undefined && b.module !== undefined && Math.abs(a.module - b.module) > 1e-6)
    differ('module');
  if (a.pressureAngleDeg !== b.pressureAngleDeg) differ('pressure angle');
  if (isCylindrical(a) && isCylindrical(b)) {
    if ((a.helixDeg ?? 0) !== (b.helixDeg ?? 0)) differ('helix angle');
    const internal = a.kind === 'internal' || b.kind === 'internal';
    if ((a.helixDeg ?? 0) > 0 && a.hand && b.hand && (a.hand === b.hand) !== internal)
      differ(internal ? 'hand (an internal pair has one hand)' : 'hand (an outside pair has two hands)');
  }
  return faults;
}

/** Pitch radius of a cylindrical gear, mm: m·z / (2·cos β). */
export const pitchRadius = (gear: Gear): number =>
  ((gear.module ?? 1) * gear.teeth) / 2 / Math.cos(((gear.helixDeg ?? 0) * Math.PI) / 180);

/** Distance the teeth ask for against the distance of the axes, profile shift taken in its first order. */
function distanceFaults(type: UnitType, mesh: Mesh, a: Gear, b: Gear, path: string): Fault[] {
  if (!isCylindrical(a) || !isCylindrical(b) || a.module === undefined || b.module === undefined) return [];
  const drawn = mesh.centreDistance ?? drawnDistance(type, a, b);
  if (drawn === undefined) return [];
  const shift = (a.profileShift + b.profileShift) * (a.module ?? 0);
  const wanted =
    a.kind === 'internal' || b.kind === 'internal'
      ? Math.abs(pitchRadius(a) - pitchRadius(b))
      : pitchRadius(a) + pitchRadius(b) + shift;
  const tolerance = mesh.toleranceMm ?? DEFAULT_TOLERANCE_MM;
  if (Math.abs(wanted - drawn) <= tolerance) return [];
  return [
    {
      path,
      message: `the teeth of ${a.id} and ${b.id} ask for ${wanted.toFixed(2)} mm between their axes, there are ${drawn.toFixed(2)}`,
      blocks: 'train',
    },
  ];
}

function drawnDistance(type: UnitType, a: Gear, b: Gear): number | undefined {
  const positionOf = (gear: Gear) => type.positions.find(({ id }) => id === gear.position);
  const orbit = positionOf(a)?.orbit ?? positionOf(b)?.orbit;
  if (orbit !== undefined) return orbit;
  const axisOf = (gear: Gear) => type.axes.find(({ id }) => id === positionOf(gear)?.axis);
  const first = axisOf(a);
  const second = axisOf(b);
  if (!first || !second) return undefined;
  const [dx, dy] = first.direction;
  const length = Math.hypot(dx, dy) || 1;
  return (
    Math.abs((second.origin[0] - first.origin[0]) * dy - (second.origin[1] - first.origin[1]) * dx) / length
  );
}

/** Equal spacing of planets needs (z_sun + z_ring) divisible by their number; otherwise it is only a warning. */
function planetFaults(mesh: Mesh, a: Gear, b: Gear, path: string): Fault[] {
  if (mesh.planets === undefined || mesh.internal === undefined) return [];
  const ring = mesh.internal === 'a' ? a : b;
  const planet = mesh.internal === 'a' ? b : a;
  const sun = ring.teeth - 2 * planet.teeth;
  if ((sun + ring.teeth) % mesh.planets === 0) return [];
  return [
    {
      path: `${path}.planets`,
      message: `${mesh.planets} planets cannot be spaced equally between ${sun} and ${ring.teeth} teeth`,
      blocks: 'nothing',
    },
  ];
}
