import { makeBench } from '../bench';
import { length } from '../length';
import { layered, mix, seededNoise, smooth } from '../noise';
import { COPPER, paintSurface, type Scene, STEEL } from '../scene';
import { box, cylinder, placeInPitch, ringSection } from '../shapes';

/** Two dished washers side by side: the worn one with its tang sheared, and a sound one in the same light. */
export function spiderWashers(seed: number): Scene {
  const noise = seededNoise(seed);
  const bench = makeBench({ seed, kind: 'mat', rule: { x: 0, z: 3.6, turn: 0.02 } });
  const washer = (x: number, y: number, z: number, sheared: boolean) => {
    const radius = length(x, z);
    const dish = 0.62 - radius * radius * 0.105;
    const plate = Math.max(Math.abs(y - dish) - 0.075, radius - 2.25, 0.8 - radius) * 0.85;
    const reach = sheared ? 2.36 + 0.12 * noise(x * 9, 1, 2) : 2.95;
    const tang = Math.max(Math.abs(x) - 0.42, Math.abs(y - 0.1) - 0.075, -z - reach, z + 1.9);
    return Math.min(plate, tang * 0.9);
  };
  const left = (x: number, y: number, z: number) => washer(x + 2.75, y, z, true);
  const right = (x: number, y: number, z: number) => washer(x - 2.75, y, z, false);
  return {
    camera: { from: [0.5, 9.6, 8.6], at: [0, 0.2, -0.1], fieldOfView: 48, aperture: 0.08 },
    exposure: 1.45,
    distance: (x, y, z) =>
      y > 1 ? y - 0.7 : Math.min(bench.distance(x, y, z), x < 0 ? left(x, y, z) : right(x, y, z)),
    surface(x, y, z, out) {
      if (bench.surface(x, y, z, out)) return;
      const worn = x < 0;
      const radius = length(x + (worn ? 2.75 : -2.75), z);
      const film = layered(noise, x * 1.3, y, z * 1.3, 4);
      paintSurface(out, STEEL, 0.34 + 0.16 * film, 1);
      if (worn) {
        const track = smooth(1, 1.25, radius) * smooth(2.2, 1.95, radius);
        const copper = smooth(0.54, 0.62, layered(noise, x * 2.2, 3, z * 2.2, 4)) * track;
        paintSurface(
          out,
          { r: mix(0.5, COPPER.r, copper), g: mix(0.5, COPPER.g, copper), b: mix(0.5, COPPER.b, copper) },
          mix(0.4, 0.16, track),
          1,
        );
      } else {
        const plated = 0.85 + 0.15 * film;
        paintSurface(
          out,
          { r: COPPER.r * plated, g: COPPER.g * plated, b: COPPER.b * plated },
          0.38 + 0.1 * film,
          1,
        );
      }
      const fresh = worn && Math.abs(x + 2.75) < 0.42 && z < -2.24;
      if (fresh) paintSurface(out, { r: 0.7, g: 0.7, b: 0.68 }, 0.6, 1);
    },
    relief(x, y, z) {
      if (y < 0.03) return bench.relief(x, y, z);
      const worn = x < 0;
      const radius = length(x + (worn ? 2.75 : -2.75), z);
      const scored = worn ? 0.006 * layered(noise, radius * 22, 1, 2, 3) : 0;
      return scored + 0.0012 * noise(x * 20, y * 20, z * 20);
    },
    reliefStep: 0.008,
  };
}

/** The cross-pin of a differential with the places where the spiders ran worn flat on one side. */
export function crossPin(seed: number): Scene {
  const noise = seededNoise(seed);
  const bench = makeBench({ seed, kind: 'rag', rule: { x: 0, z: 3, turn: -0.03 } });
  const axis = 0.82;
  const runs = (x: number) => smooth(1.15, 1, Math.abs(Math.abs(x) - 2.75));
  return {
    camera: { from: [1.2, 7.2, 8.8], at: [0, 0.6, 0.4], fieldOfView: 42, aperture: 0.08 },
    exposure: 1.4,
    distance(x, y, z) {
      const radius = length(y - axis, z);
      const flat = 0.66 * (y - axis) + 0.75 * z - mix(1, 0.655, runs(x) > 0.5 ? 1 : 0);
      const pin = Math.max(cylinder(x, radius, 5.6, 0.75, 0.07), flat);
      const hole = cylinder(z, length(x - 4.9, y - axis), 2, 0.2, 0);
      return Math.min(bench.distance(x, y, z), Math.max(pin, -hole));
    },
    surface(x, y, z, out) {
      if (bench.surface(x, y, z, out)) return;
      const film = layered(noise, x * 1.2, y * 1.2, z * 1.2, 4);
      const side = 0.66 * (y - axis) + 0.75 * z;
      const run = runs(x);
      paintSurface(out, STEEL, 0.26 + 0.16 * film, 1);
      const straw = run * smooth(0.2, 0.6, side) * smooth(0.42, 0.62, film);
      paintSurface(
        out,
        { r: 0.56 + 0.1 * straw, g: 0.57 - 0.04 * straw, b: 0.58 - 0.2 * straw },
        mix(out.rough, 0.12, run * smooth(0.5, 0.64, side)),
        1,
      );
    },
    relief(x, y, z) {
      if (y < 0.08) return bench.relief(x, y, z);
      const side = 0.66 * (y - axis) + 0.75 * z;
      const score = runs(x) * smooth(0.5, 0.62, side) * 0.008 * layered(noise, x * 24, 1, 2, 3);
      return score + 0.0006 * Math.sin(x * 150) + 0.001 * noise(x * 22, y * 22, z * 22);
    },
    reliefStep: 0.008,
  };
}

/** A bronze thrust washer that lost its colour where the oil ate it. */
export function thrustWasher(seed: number): Scene {
  const noise = seededNoise(seed);
  const bench = makeBench({ seed, kind: 'mat', rule: { x: 0, z: 4.5, turn: 0.04 } });
  const grooveAt = (x: number, z: number) =>
    smooth(0.045, 0.03, Math.abs(placeInPitch((Math.atan2(x, z) / (2 * Math.PI)) * 6) * length(x, z) * 0.35));
  return {
    camera: { from: [0.6, 9.4, 9.2], at: [0, 0.1, 0.1], fieldOfView: 35, aperture: 0.08 },
    exposure: 1.4,
    distance(x, y, z) {
      const radius = length(x, z);
      const plate = ringSection(radius, y, 2, 3.1, 0.01, 0.37, 0.03);
      const notch = box(x, y, z - 3.1, 0.24, 1, 0.34, 0.05);
      return Math.min(bench.distance(x, y, z), Math.max(plate, -notch));
    },
    surface(x, y, z, out) {
      if (bench.surface(x, y, z, out)) return;
      const radius = length(x, z);
      const film = layered(noise, x * 1.4, y, z * 1.4, 4);
      const eaten = smooth(
        0.36,
        0.62,
        layered(noise, x * 0.8, 2, z * 0.8, 4) + 0.12 * smooth(2.1, 2.6, radius),
      );
      const yellow = { r: 0.72 - 0.1 * film, g: 0.5 - 0.1 * film, b: 0.25 - 0.06 * film };
      const pale = { r: 0.5, g: 0.46, b: 0.42 };
      paintSurface(
        out,
        { r: mix(yellow.r, pale.r, eaten), g: mix(yellow.g, pale.g, eaten), b: mix(yellow.b, pale.b, eaten) },
        mix(0.24, 0.62, eaten),
        1,
      );
      const dark = 1 - 0.7 * grooveAt(x, z) - 0.3 * smooth(0.6, 0.75, film);
      out.r *= dark;
      out.g *= dark;
      out.b *= dark;
    },
    relief(x, y, z) {
      const radius = length(x, z);
      if (radius > 3.12 || radius < 1.98) return bench.relief(x, y, z);
      const eaten = smooth(0.36, 0.62, layered(noise, x * 0.8, 2, z * 0.8, 4));
      return (
        -0.06 * grooveAt(x, z) +
        0.004 * layered(noise, radius * 26, 1, 2, 2) +
        0.012 * eaten * layered(noise, x * 14, 1, z * 14, 3)
      );
    },
    reliefStep: 0.01,
  };
}

/** A drain plug's magnet with what hung on it: grey paste, and needles if something broke. */
export function magnet(seed: number, needles: number): Scene {
  const noise = seededNoise(seed);
  const bench = makeBench({ seed, kind: 'rag' });
  const fuzz = (x: number, z: number) => {
    const radius = length(x, z);
    const heap =
      0.42 * Math.exp(-((radius - 0.75) ** 2) / 0.22) * (0.55 + 0.7 * layered(noise, x * 2.2, 1, z * 2.2, 3));
    const spikes = needles * 0.55 * smooth(0.66, 0.9, noise(x * 7, 5, z * 7)) * smooth(1.35, 0.9, radius);
    return heap + spikes + 0.05 * layered(noise, x * 11, 2, z * 11, 2);
  };
  return {
    camera: { from: [1.3, 6.6, 6.8], at: [0, 1.35, 0], fieldOfView: 30, aperture: 0.1 },
    exposure: 1.45,
    distance(x, y, z) {
      const radius = length(x, z);
      const thread = cylinder(y - 1.15, radius + 0.045 * Math.sin(y * 42), 0.75, 1.22, 0.05);
      const angle = Math.atan2(x, z);
      const hex = Math.max(
        radius * Math.cos(angle - Math.round(angle / (Math.PI / 3)) * (Math.PI / 3)) - 1.75,
        Math.abs(y - 0.3) - 0.42,
      );
      const outside = Math.max(y - 3, radius - 1.34, 1.5 - y);
      const paste = outside > 0.3 ? outside : Math.max((y - 1.9 - fuzz(x, z)) * 0.35, outside);
      return Math.min(bench.distance(x, y, z), hex, thread * 0.9, paste);
    },
    surface(x, y, z, out) {
      if (bench.surface(x, y, z, out)) return;
      const film = layered(noise, x * 1.4, y * 1.4, z * 1.4, 4);
      if (y < 1.88) return paintSurface(out, { r: 0.5, g: 0.47, b: 0.4 }, 0.4 + 0.2 * film, 1);
      const bright = smooth(0.62, 0.8, noise(x * 16, y * 16, z * 16)) * (0.35 + 0.65 * needles);
      const grey = 0.075 + 0.07 * film;
      paintSurface(
        out,
        { r: mix(grey, 0.6, bright), g: mix(grey * 1.02, 0.6, bright), b: mix(grey * 1.05, 0.6, bright) },
        mix(0.42, 0.22, bright),
        bright,
      );
    },
    relief: (x, y, z) => (y < 0.5 ? bench.relief(x, y, z) : 0.02 * layered(noise, x * 18, y * 18, z * 18, 2)),
    reliefStep: 0.012,
  };
}
