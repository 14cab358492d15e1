import type { Gear, Mesh } from '@/model/train';
import type { UnitType } from '@/model/unitType';
import { bevelBacklash } from './bevelBacklash';

/**
 * The backlash variation that a run-out of the ring's back face brings with it, before anything is assembled: about c·w
 * with the wobble w (total indicator reading) and the backlash factor c. If it exceeds the variation permitted, no shim
 * will cure it. The ring's spiral angle is left out for hypoid pairs, where it overstates c.
 * @param runOut total indicator reading of the back face, mm
 */
export function forecastVariation(
  type: Pick<UnitType, 'gears' | 'meshes'>,
  ringPosition: string,
  runOut: number,
): number | undefined {
  const pair = pairOf(type, ringPosition);
  if (!pair) return undefined;
  const { factor } = bevelBacklash({
    pinionTeeth: pair.pinion.teeth,
    ringTeeth: pair.ring.teeth,
    pressureAngleDeg: pair.ring.pressureAngleDeg,
    spiralAngleDeg: pair.ring.kind === 'hypoid' ? 0 : (pair.ring.spiralDeg ?? 0),
  });
  return factor * runOut;
}

/** The bevel or hypoid pair whose ring stands at a position. */
function pairOf(
  { gears, meshes }: Pick<UnitType, 'gears' | 'meshes'>,
  position: string,
): { ring: Gear; pinion: Gear } | undefined {
  const ring = gears.find(
    (gear) => gear.position === position && (gear.kind === 'bevel' || gear.kind === 'hypoid'),
  );
  const mesh: Mesh | undefined =
    ring && meshes.find(({ a, b, carrier }) => carrier === undefined && (a === ring.id || b === ring.id));
  const mate = gears.find(({ id }) => mesh && id === (mesh.a === ring?.id ? mesh.b : mesh.a));
  return ring && mate && mate.teeth < ring.teeth ? { ring, pinion: mate } : undefined;
}
