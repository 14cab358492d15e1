import { makeBench } from '../bench';
import { length } from '../length';
import { layered, mix, seededNoise, smooth } from '../noise';
import { BRASS, paintSurface, type Scene, STEEL } from '../scene';
import { placeInPitch, ringSection } from '../shapes';

type CupDamage = 'none' | 'spall' | 'dents' | 'rust';

/** The outer race of a taper bearing, lying on the bench; the loaded part of its track looks at the camera. */
export function bearingCup(seed: number, damage: CupDamage): Scene {
  const noise = seededNoise(seed);
  const bench = makeBench({
    seed,
    kind: damage === 'rust' ? 'rag' : 'mat',
    rule: { x: 0.2, z: 5.1, turn: 0.03 },
  });
  const trackRadius = (y: number) => 2.74 + 0.2 * y;
  const damageAt = (x: number, y: number, z: number): number => {
    const angle = Math.atan2(x, -z);
    if (damage === 'spall') {
      const zone = smooth(1.08, 0.7, Math.abs(angle + 0.1)) * smooth(0.28, 0.5, y) * smooth(1.62, 1.35, y);
      return zone * smooth(0.5, 0.545, layered(noise, x * 2.6, y * 2.6, z * 2.6, 5) + 0.13 * zone - 0.05);
    }
    if (damage === 'dents') return smooth(0.74, 0.82, noise(x * 11, y * 11, z * 11)) * smooth(0.2, 0.4, y);
    if (damage === 'rust')
      return smooth(
        0.5,
        0.62,
        layered(noise, x * 1.2, y * 1.2, z * 1.2, 5) +
          (Math.abs(placeInPitch(angle * 2.6)) < 0.14 ? 0.16 : 0),
      );
    return 0;
  };
  const onTrack = (radius: number, y: number) => radius < trackRadius(y) + 0.05;
  return {
    camera: { from: [0.7, 8.6, 10.6], at: [0, 0.75, -0.7], fieldOfView: 37, aperture: 0.09 },
    exposure: 1.5,
    distance(x, y, z) {
      const radius = length(x, z);
      const cup = Math.max(
        ringSection(radius, y, 2.3, 3.7, 0.01, 1.9, 0.09),
        (trackRadius(y) - radius) * 0.95,
      );
      return Math.min(bench.distance(x, y, z), cup);
    },
    surface(x, y, z, out) {
      if (bench.surface(x, y, z, out)) return;
      const radius = length(x, z);
      const film = layered(noise, x * 1.2, y * 1.2, z * 1.2, 4);
      const track = onTrack(radius, y);
      paintSurface(out, STEEL, track ? 0.04 + 0.08 * film : 0.2 + 0.12 * film, 1);
      const hurt = damageAt(x, y, z) * (track || damage === 'rust' ? 1 : 0);
      if (hurt < 0.02) return;
      if (damage === 'rust') {
        const depth = layered(noise, x * 7, y * 7, z * 7, 3);
        paintSurface(
          out,
          {
            r: mix(out.r, 0.22 + 0.14 * depth, hurt),
            g: mix(out.g, 0.08 + 0.07 * depth, hurt),
            b: mix(out.b, 0.03 + 0.03 * depth, hurt),
          },
          mix(out.rough, 0.92, hurt),
          1 - hurt,
        );
      } else {
        const floor = 0.2 + 0.22 * layered(noise, x * 12, y * 12, z * 12, 2);
        paintSurface(
          out,
          {
            r: mix(out.r, floor, hurt),
            g: mix(out.g, floor * 0.97, hurt),
            b: mix(out.b, floor * 0.94, hurt),
          },
          mix(out.rough, damage === 'dents' ? 0.35 : 0.8, hurt),
          1,
        );
      }
    },
    relief(x, y, z) {
      if (y < 0.1 && length(x, z) > 3.75) return bench.relief(x, y, z);
      const radius = length(x, z);
      const ground = onTrack(radius, y)
        ? 0.0004 * Math.sin(y * 210)
        : 0.0008 * Math.sin(radius * 110 + y * 40);
      const deep = damage === 'spall' ? 0.09 : damage === 'dents' ? 0.03 : 0.02;
      const hurt = damage === 'rust' || onTrack(radius, y) ? damageAt(x, y, z) : 0;
      return (
        ground +
        0.0006 * noise(x * 20, y * 20, z * 20) -
        deep * hurt * (0.5 + 0.9 * layered(noise, x * 8, y * 8, z * 8, 3))
      );
    },
    reliefStep: 0.008,
  };
}

/** A brass synchronizer ring, its cone turned to the camera: grooves sharp, or worn away. */
export function synchroRing(seed: number, wear: number): Scene {
  const noise = seededNoise(seed);
  const bench = makeBench({ seed, kind: 'board', rule: { x: 0.3, z: 5.4, turn: -0.04 } });
  const cone = (y: number) => 2.86 + 0.13 * y;
  const angleOf = (x: number, z: number) => Math.atan2(x, z);
  const groove = (y: number) => Math.sqrt(Math.max(0, Math.sin(y * 58)));
  const wornAt = (x: number, y: number, z: number) =>
    wear * smooth(0.3, 0.55, layered(noise, x * 0.7, y * 0.7, z * 0.7, 3) + wear * 0.25);
  return {
    camera: { from: [0.9, 8.8, 10.4], at: [0, 0.5, -0.6], fieldOfView: 37, aperture: 0.09 },
    exposure: 1.45,
    distance(x, y, z) {
      const radius = length(x, z);
      const angle = angleOf(x, z);
      const wall = Math.max(ringSection(radius, y, 2.6, 3.28, 0.01, 1.25, 0.05), (cone(y) - radius) * 0.95);
      const place = placeInPitch((angle / (2 * Math.PI)) * 42);
      const roof = 0.5 - Math.abs(place) * (0.62 - 0.2 * wear);
      const teeth = Math.max(
        ringSection(radius, y, 3.2, 3.72, 0.01, 0.55, 0.03),
        (Math.abs(place) - 0.3) * 0.5,
        (y - roof) * 0.6,
      );
      const key = placeInPitch((angle / (2 * Math.PI)) * 3);
      const slot = Math.max(Math.abs(key) * 6 - 0.32, 0.72 - y) * 0.5;
      return Math.min(bench.distance(x, y, z), Math.max(Math.min(wall, teeth), -slot));
    },
    surface(x, y, z, out) {
      if (bench.surface(x, y, z, out)) return;
      const radius = length(x, z);
      const film = layered(noise, x, y, z, 4);
      paintSurface(out, BRASS, 0.2 + 0.18 * film, 1);
      const oil = smooth(0.5, 0.75, layered(noise, x * 0.6 + 9, y, z * 0.6, 4));
      const tarnish = 1 - 0.35 * film - 0.4 * oil * (radius > cone(y) + 0.06 ? 1 : 0.4);
      out.r *= tarnish;
      out.g *= tarnish * 0.97;
      out.b *= tarnish * 0.93;
      if (radius < cone(y) + 0.05) {
        const worn = wornAt(x, y, z);
        out.rough = mix(0.45, 0.12, worn);
        const shade = 1 - 0.55 * groove(y) * (1 - worn);
        out.r *= shade;
        out.g *= shade;
        out.b *= shade;
      }
    },
    relief(x, y, z) {
      const radius = length(x, z);
      if (y < 0.1 && radius > 3.75) return bench.relief(x, y, z);
      const skin = 0.001 * noise(x * 22, y * 22, z * 22);
      if (radius > cone(y) + 0.05) return skin + 0.0006 * Math.sin(radius * 90);
      const worn = wornAt(x, y, z);
      return skin - 0.02 * groove(y) * (1 - worn) + 0.0012 * worn * noise(x * 2, y * 60, z * 2);
    },
    reliefStep: 0.008,
  };
}

/** A gear standing up with its dog teeth and its cone on top. */
export function dogTeeth(seed: number, rounding: number): Scene {
  const noise = seededNoise(seed);
  const bench = makeBench({ seed, kind: 'mat' });
  const gearTop = 2;
  return {
    camera: { from: [1.6, 8.6, 11.2], at: [0.1, 2.1, 1.5], fieldOfView: 29, aperture: 0.11 },
    exposure: 1.45,
    distance(x, y, z) {
      const radius = length(x, z);
      const outside = Math.max(y - 3.6, radius - 4.7);
      if (outside > 0.3) return Math.min(bench.distance(x, y, z), outside);
      const angle = Math.atan2(x, z) / (2 * Math.PI);
      const rise = Math.min(
        1,
        Math.max(0, (0.4 - Math.abs(placeInPitch(angle * 32 + (y - 1) * 0.4))) / 0.24),
      );
      const gear = Math.max(
        (radius - 4 - 0.58 * rise * rise * (3 - 2 * rise)) * 0.42,
        Math.abs(y - gearTop / 2) - gearTop / 2,
        2 - radius,
      );
      const dog = placeInPitch(angle * 36);
      const blunt = rounding * (0.7 + 0.6 * noise(Math.round(angle * 36) * 2.3, 4, 1));
      const peak = Math.sqrt(dog * dog + blunt * blunt * 0.06);
      const dogs = Math.max(
        ringSection(radius, y, 2.9, 3.42, 1.9, 2.86, 0.02),
        (Math.abs(dog) - 0.33) * 0.5,
        (y - 2.92 + peak * 1.05) * 0.6,
      );
      const cone = Math.max(
        ringSection(radius, y, 2, 3.2, 1.9, 3.5, 0.06),
        (radius - 2.98 + (y - 2.5) * 0.14) * 0.97,
        2.1 - radius,
      );
      return Math.min(bench.distance(x, y, z), gear, dogs, cone);
    },
    surface(x, y, z, out) {
      if (bench.surface(x, y, z, out)) return;
      const radius = length(x, z);
      const film = layered(noise, x * 1.1, y * 1.1, z * 1.1, 4);
      paintSurface(out, STEEL, 0.16 + 0.16 * film, 1);
      if (radius < 3 && y > 2) out.rough = 0.06 + 0.1 * film;
      const place = placeInPitch((Math.atan2(x, z) / (2 * Math.PI)) * 36);
      const rubbed =
        radius > 3 && radius < 3.45 && y > 2.55
          ? smooth(0.22, 0.05, Math.abs(place)) * Math.min(1, rounding * 1.6)
          : 0;
      out.rough = mix(out.rough, 0.1, rubbed);
      const grime = y < 2.1 && radius < 3.9 ? 0.45 * film : 0.14 * film;
      out.r *= 1 - grime;
      out.g *= 1 - grime;
      out.b *= 1 - grime;
    },
    relief(x, y, z) {
      if (y < 0.1) return bench.relief(x, y, z);
      const radius = length(x, z);
      const turned =
        radius < 3 && y > 2
          ? 0.0006 * Math.sin(y * 180)
          : y > gearTop - 0.01 && y < gearTop + 0.01
            ? 0.0009 * Math.sin(radius * 100)
            : 0;
      return turned + 0.0014 * layered(noise, x * 16, y * 16, z * 16, 2);
    },
    reliefStep: 0.006,
  };
}
