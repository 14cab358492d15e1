import type { Gear, Mesh } from '@/model/train';
import type { UnitType } from '@/model/unitType';
import { pitchRadius } from '../unit-type/meshFaults';
import type { Point } from './geometry';

export interface EndGear {
  readonly gear: string;
  readonly positionId: string;
  readonly body: string;
  readonly name: string;
  readonly teeth: number;
  readonly internal: boolean;
  readonly centre: Point;
  readonly pitch: number;
  /** Tooth by tooth; millimetres from the middle of the set. */
  readonly outline: readonly Point[];
}

/** One epicyclic set as seen along its axis. */
export interface EndView {
  readonly carrier: string;
  readonly title: string;
  readonly gears: readonly EndGear[];
  /** Radius that holds all of it. */
  readonly radius: number;
  readonly spacing: string;
}

const ADDENDUM = 1;
const DEDENDUM = 1.25;
/** Half widths of a tooth at root, pitch line and tip, in tooth pitches. */
const HALF = { root: 0.35, pitch: 0.235, tip: 0.1 } as const;

/**
 * Every set of planets of a unit type from its end: sun, ring and planets with their true counts, each planet turned so
 * that its teeth stand in the gaps of the sun. Where planets can be spaced equally, they fit the ring too.
 */
export function endViews(type: UnitType): EndView[] {
  const planets = new Map<string, Mesh[]>();
  for (const mesh of type.meshes) {
    for (const id of [mesh.a, mesh.b]) {
      const position = positionOf(type, id);
      if (position?.orbit !== undefined && mesh.carrier !== undefined)
        planets.set(id, [...(planets.get(id) ?? []), mesh]);
    }
  }
  return [...planets].flatMap(([planet, meshes]) => viewOf(type, planet, meshes) ?? []);
}

const gearOf = (type: UnitType, id: string): Gear | undefined => type.gears.find((gear) => gear.id === id);
const positionOf = (type: UnitType, gear: string) =>
  type.positions.find(({ id }) => id === gearOf(type, gear)?.position);

function viewOf(type: UnitType, planetId: string, meshes: readonly Mesh[]): EndView | undefined {
  const planet = gearOf(type, planetId);
  const position = positionOf(type, planetId);
  const mates = meshes.flatMap(({ a, b }) => gearOf(type, a === planetId ? b : a) ?? []);
  const sun = mates.find(({ kind }) => kind !== 'internal');
  const ring = mates.find(({ kind }) => kind === 'internal');
  const orbit = position?.orbit;
  if (!planet || !position || orbit === undefined || (!sun && !ring)) return undefined;
  const count = meshes.find(({ planets }) => planets !== undefined)?.planets ?? position.quantity?.count ?? 3;
  const place = (gear: Gear, centre: Point, phase: number): EndGear => ({
    gear: gear.id,
    positionId: gear.position,
    body: positionOf(type, gear.id)?.body ?? '',
    name: positionOf(type, gear.id)?.name ?? gear.id,
    teeth: gear.teeth,
    internal: gear.kind === 'internal',
    centre,
    pitch: pitchRadius(gear),
    outline: toothOutline(gear, centre, phase),
  });
  const turnOf = (angle: number) => planetPhase(angle, planet.teeth, sun, ring);
  const around = Array.from({ length: count }, (_, index) => (2 * Math.PI * index) / count - Math.PI / 2);
  const planets = around.map((angle) =>
    place(planet, [orbit * Math.cos(angle), orbit * Math.sin(angle)], turnOf(angle)),
  );
  const ringPhase = ring && phaseOfRing(around[0]!, turnOf(around[0]!), planet.teeth, ring.teeth);
  const carrier = meshes[0]!.carrier!;
  const outer = ring ? pitchRadius(ring) + 4 * (ring.module ?? 2) : orbit + pitchRadius(planet) * 1.3;
  return {
    carrier,
    title: position.name,
    gears: [
      ...(ring ? [place(ring, [0, 0], ringPhase ?? 0)] : []),
      ...(sun ? [place(sun, [0, 0], 0)] : []),
      ...planets,
    ],
    radius: outer,
    spacing: spacingWords(count, sun, ring),
  };
}

function spacingWords(count: number, sun: Gear | undefined, ring: Gear | undefined): string {
  if (!sun || !ring) return `${count} planets`;
  const sum = sun.teeth + ring.teeth;
  return sum % count === 0
    ? `${count} planets, equally spaced: ${sun.teeth} + ${ring.teeth} = ${count} × ${sum / count}`
    : `${count} planets can’t be spaced equally: ${sun.teeth} + ${ring.teeth} = ${sum} is no multiple of ${count}`;
}

/** Angle of a planet's first tooth so that a gap of it faces a tooth of the sun (or of the ring, where there is no sun). */
function planetPhase(angle: number, teeth: number, sun: Gear | undefined, ring: Gear | undefined): number {
  const step = (2 * Math.PI) / teeth;
  // Which part of a pitch the mate has passed at this angle; its first tooth points to 0.
  if (sun) return angle + Math.PI - (0.5 - (angle * sun.teeth) / (2 * Math.PI)) * step;
  return angle - ((angle * (ring?.teeth ?? 1)) / (2 * Math.PI) + 0.5) * step;
}

/** Angle of the ring's first tooth so that the first planet's teeth stand in its gaps. */
function phaseOfRing(
  angle: number,
  planetPhaseThere: number,
  planetTeeth: number,
  ringTeeth: number,
): number {
  const passed = ((angle - planetPhaseThere) * planetTeeth) / (2 * Math.PI);
  return angle - ((passed - 0.5) * 2 * Math.PI) / ringTeeth;
}

/** Straight-sided teeth, enough for the eye: root, pitch line and tip of each flank. */
function toothOutline(gear: Gear, [cx, cy]: Point, phase: number): Point[] {
  const inward = gear.kind === 'internal' ? -1 : 1;
  const module = gear.module ?? 2;
  const pitch = pitchRadius(gear);
  const [tip, root] = [pitch + inward * ADDENDUM * module, pitch - inward * DEDENDUM * module];
  const step = (2 * Math.PI) / gear.teeth;
  const at = (radius: number, angle: number): Point => [
    cx + radius * Math.cos(angle),
    cy + radius * Math.sin(angle),
  ];
  return Array.from({ length: gear.teeth }, (_, index) => {
    const middle = phase + index * step;
    return [
      at(root, middle - HALF.root * step),
      at(pitch, middle - HALF.pitch * step),
      at(tip, middle - HALF.tip * step),
      at(tip, middle + HALF.tip * step),
      at(pitch, middle + HALF.pitch * step),
      at(root, middle + HALF.root * step),
    ];
  }).flat();
}
