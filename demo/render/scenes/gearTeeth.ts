import { makeBench } from '../bench';
import { length } from '../length';
import { layered, mix, seededNoise, smooth } from '../noise';
import { paintSurface, type Scene, STEEL } from '../scene';
import { bounded, cylinder, placeInPitch, ringSection, smoothMin } from '../shapes';

const RING = { teeth: 41, mean: 8.6, half: 1.35, spiral: 0.075, depth: 0.92 };

interface RingGearOptions {
  readonly seed: number;
  /** Teeth that carry pits on their drive flank; tooth 0 faces the camera. */
  readonly pitted?: readonly number[];
  readonly broken?: readonly number[];
  readonly camera: Scene['camera'];
}

/** A few teeth of a hypoid ring gear, lying on its back. */
export function ringGear({ seed, pitted = [], broken = [], camera }: RingGearOptions): Scene {
  const noise = seededNoise(seed);
  const bench = makeBench({ seed, kind: 'mat' });
  const radiusOf = (x: number, z: number) => length(x, RING.mean - z);
  const turnsOf = (x: number, z: number, radius: number) =>
    (Math.atan2(x, RING.mean - z) / (2 * Math.PI) + RING.spiral * (radius - RING.mean) * 0.16) * RING.teeth;
  const crestAt = (x: number, z: number, radius: number) => {
    const turns = turnsOf(x, z, radius);
    const place = placeInPitch(turns);
    const shrink = 0.72 + 0.28 * ((radius - RING.mean) / RING.half);
    const rise = Math.min(1, Math.max(0, (0.385 - Math.abs(place)) / 0.26));
    const crest =
      (0.35 * rise + 0.65 * rise * rise * (3 - 2 * rise)) * RING.depth * Math.min(1, shrink + 0.1);
    if (!broken.includes(Math.round(turns))) return crest;
    const jag = 0.1 + 0.16 * layered(noise, x * 2.2, 1, z * 2.2, 4) + 0.16 * smooth(-0.3, 0.3, place);
    return Math.min(crest, jag);
  };
  const floorAt = (radius: number) => 1.7 - (radius - RING.mean) * 0.22;
  const pitAt = (x: number, y: number, z: number): number => {
    if (pitted.length === 0) return 0;
    const radius = radiusOf(x, z);
    const turns = turnsOf(x, z, radius);
    if (!pitted.includes(Math.round(turns)) || placeInPitch(turns) > -0.05) return 0;
    const middle = Math.exp(
      -(((radius - RING.mean - 0.35) / 0.75) ** 2) - ((y - floorAt(radius) - 0.42) / 0.24) ** 2,
    );
    return smooth(0.5, 0.56, layered(noise, x * 5, y * 5, z * 5, 3) * 0.62 + middle * 0.36 - 0.11);
  };
  const body = bounded(
    (x, y, z) => {
      const radius = radiusOf(x, z);
      const outside = Math.max(Math.abs(radius - RING.mean) - RING.half, y - 3.2, -y + 0.02);
      return outside > 0.4
        ? outside
        : Math.max(outside, (y - floorAt(radius) - crestAt(x, z, radius)) * 0.33);
    },
    [0, 1.6, RING.mean],
    [10, 1.7, 10],
  );
  return {
    camera,
    exposure: 1.5,
    distance: (x, y, z) => Math.min(bench.distance(x, y, z), body(x, y, z)),
    surface(x, y, z, out) {
      if (bench.surface(x, y, z, out)) return;
      const radius = radiusOf(x, z);
      const turns = turnsOf(x, z, radius);
      const place = placeInPitch(turns);
      const tooth = Math.round(turns);
      const height = y - floorAt(radius);
      const worked =
        Math.abs(place) > 0.12 && Math.abs(place) < 0.36
          ? smooth(0.18, 0.4, height) * (1 - smooth(0.66, 0.8, height))
          : 0;
      const film = layered(noise, x * 0.9, y * 0.9, z * 0.9, 4);
      paintSurface(out, STEEL, mix(0.3, 0.1, worked) + 0.1 * film, 1);
      const grime = smooth(0.3, 0.02, height) * (0.45 + 0.4 * film);
      darken(out, 1 - 0.55 * grime);
      if (broken.includes(tooth) && height > 0.02 && height < 0.5 && Math.abs(place) < 0.33)
        paintSurface(out, { r: 0.66, g: 0.66, b: 0.65 }, 0.62, 1);
      const pit = pitAt(x, y, z);
      if (pit > 0.02)
        paintSurface(
          out,
          { r: mix(out.r, 0.2, pit), g: mix(out.g, 0.19, pit), b: mix(out.b, 0.18, pit) },
          mix(out.rough, 0.75, pit),
          1,
        );
    },
    relief(x, y, z) {
      if (y < 0.2) return bench.relief(x, y, z);
      const radius = radiusOf(x, z);
      const turns = turnsOf(x, z, radius);
      const torn =
        broken.includes(Math.round(turns)) &&
        Math.abs(placeInPitch(turns)) < 0.33 &&
        y > floorAt(radius) + 0.03;
      const cutter = 0.0011 * Math.sin(radius * 95 + 6 * layered(noise, x, y, z, 2));
      const fracture = torn ? 0.05 * layered(noise, x * 9, y * 9, z * 9, 4) : 0;
      return (
        cutter +
        0.0016 * noise(x * 26, y * 26, z * 26) +
        fracture -
        0.028 * pitAt(x, y, z) * (0.6 + 0.8 * noise(x * 17, y * 17, z * 17))
      );
    },
    reliefStep: 0.006,
  };
}

const darken = (out: { r: number; g: number; b: number }, by: number): void => {
  out.r *= by;
  out.g *= by;
  out.b *= by;
};

interface PinionOptions {
  readonly seed: number;
  readonly scuffed?: number;
  readonly broken?: readonly number[];
  readonly rust?: number;
  readonly rag?: boolean;
}

/** A spiral bevel pinion of one piece with its shaft, lying on the bench. */
export function pinion({ seed, scuffed = 0, broken = [], rust = 0, rag = false }: PinionOptions): Scene {
  const noise = seededNoise(seed);
  const bench = makeBench({ seed, kind: rag ? 'rag' : 'mat', rule: { x: 1.5, z: 4.3, turn: 0.08 } });
  const teeth = 11;
  const axis = 3.05;
  const alongOf = (x: number) => (x + 4.2) / 3.4;
  const turnsOf = (x: number, y: number, z: number) =>
    (Math.atan2(z, y - axis) / (2 * Math.PI)) * teeth + alongOf(x) * 1.15;
  const toothOf = (turns: number) => ((Math.round(turns) % teeth) + teeth) % teeth;
  const radiusAt = (x: number, y: number, z: number) => {
    const turns = turnsOf(x, y, z);
    const size = 0.66 + 0.34 * Math.min(1, Math.max(0, alongOf(x)));
    const rise = Math.min(1, Math.max(0, (0.4 - Math.abs(placeInPitch(turns))) / 0.24));
    let crest = (0.3 * rise + 0.7 * rise * rise * (3 - 2 * rise)) * 0.86;
    if (broken.length > 0 && broken.includes(toothOf(turns)))
      crest = Math.min(crest, 0.12 + 0.22 * layered(noise, x * 2, y * 2, z * 2, 4));
    return size * (2.12 + crest);
  };
  const rustAt = (x: number, y: number, z: number) =>
    rust * smooth(0.46, 0.6, layered(noise, x * 1.4, y * 1.4, z * 1.4, 5) + rust * 0.06);
  const body = bounded(
    (x, y, z) => {
      const radius = length(y - axis, z);
      const shaft = Math.min(
        cylinder(x - 1.4, radius, 2.6, 1.78, 0.08),
        cylinder(x - 5.4, radius, 2.4, 1.45, 0.08),
        cylinder(x - 0.1, radius, 1, 2.15, 0.1),
      );
      const outside = Math.max(Math.abs(x + 2.5) - 1.7, radius - 3.1);
      const head =
        outside > 0.4 ? outside : Math.max((radius - radiusAt(x, y, z)) * 0.36, Math.abs(x + 2.5) - 1.7);
      return smoothMin(head, shaft, 0.1);
    },
    [1.8, axis, 0],
    [6.2, 3.1, 3.1],
  );
  return {
    camera: { from: [2.2, 10.5, 15.5], at: [-1.3, 2.6, 0.4], fieldOfView: 33, aperture: 0.1 },
    exposure: 1.45,
    distance: (x, y, z) => Math.min(bench.distance(x, y, z), body(x, y, z)),
    surface(x, y, z, out) {
      if (bench.surface(x, y, z, out)) return;
      const radius = length(y - axis, z);
      const turns = turnsOf(x, y, z);
      const place = placeInPitch(turns);
      const film = layered(noise, x * 1.1, y * 1.1, z * 1.1, 4);
      paintSurface(out, STEEL, 0.14 + 0.16 * film, 1);
      if (x > 0.9) paintSurface(out, STEEL, x > 3 ? 0.26 : 0.08 + 0.1 * film, 1);
      const tip =
        smooth(0.88, 0.99, radius / radiusAt(x, y, z)) *
        (x < -0.8 ? 1 : 0) *
        smooth(0.3, 0.12, Math.abs(place));
      const scuff = scuffed * tip * smooth(0.35, 0.6, layered(noise, x * 2, y * 2, z * 2, 3));
      if (scuff > 0.02)
        paintSurface(
          out,
          { r: mix(out.r, 0.42, scuff), g: mix(out.g, 0.4, scuff), b: mix(out.b, 0.38, scuff) },
          mix(out.rough, 0.72, scuff),
          1,
        );
      if (broken.includes(toothOf(turns)) && x < -0.8 && Math.abs(place) < 0.34)
        paintSurface(out, { r: 0.68, g: 0.68, b: 0.67 }, 0.66, 1);
      const rusty = rustAt(x, y, z);
      if (rusty > 0.02) {
        const depth = layered(noise, x * 6, y * 6, z * 6, 3);
        paintSurface(
          out,
          {
            r: mix(out.r, 0.2 + 0.16 * depth, rusty),
            g: mix(out.g, 0.075 + 0.07 * depth, rusty),
            b: mix(out.b, 0.03 + 0.03 * depth, rusty),
          },
          mix(out.rough, 0.92, rusty),
          1 - rusty,
        );
      }
    },
    relief(x, y, z) {
      if (y < 0.12) return bench.relief(x, y, z);
      const radius = length(y - axis, z);
      const turns = turnsOf(x, y, z);
      const onHead = x < -0.8;
      const turned = onHead ? 0 : 0.0007 * Math.sin(x * 190);
      const tip = onHead ? smooth(0.86, 0.98, radius / radiusAt(x, y, z)) : 0;
      const streaks = scuffed * tip * 0.012 * layered(noise, x * 30, y * 3, z * 3, 2);
      const fracture =
        onHead && broken.includes(toothOf(turns)) && Math.abs(placeInPitch(turns)) < 0.34
          ? 0.06 * layered(noise, x * 8, y * 8, z * 8, 4)
          : 0;
      return (
        turned +
        streaks +
        fracture +
        0.0012 * noise(x * 24, y * 24, z * 24) +
        0.03 * rustAt(x, y, z) * noise(x * 14, y * 14, z * 14)
      );
    },
    reliefStep: 0.006,
  };
}

interface HelicalOptions {
  readonly seed: number;
  /** End rounding on the upper ends: share of the face width. */
  readonly rounding: number;
}

/** The rim of a helical gear standing on the bench, its engagement ends uppermost. */
export function helicalGear({ seed, rounding }: HelicalOptions): Scene {
  const noise = seededNoise(seed);
  const bench = makeBench({ seed, kind: 'board', rule: { x: 0.4, z: 7.2, turn: -0.05 } });
  const teeth = 35;
  const top = 2.6;
  const turnsOf = (x: number, y: number, z: number) =>
    (Math.atan2(x, z) / (2 * Math.PI)) * teeth + (y - 1.3) * 0.44;
  const lossAt = (x: number, y: number, z: number, tooth: number) => {
    if (y < top - 2 * rounding * top) return 0;
    const reach = rounding * top * (0.75 + 0.6 * noise(tooth * 3.7, 1, 2));
    const near = smooth(top - reach, top, y + 0.1 * noise(x * 5, y * 5, z * 5));
    return near * near;
  };
  const radiusAt = (x: number, y: number, z: number) => {
    const turns = turnsOf(x, y, z);
    const loss = lossAt(x, y, z, Math.round(turns));
    const rise = Math.min(
      1,
      Math.max(0, (0.4 - 0.2 * loss - Math.abs(placeInPitch(turns) + 0.1 * loss)) / 0.24),
    );
    return 4.36 + (0.3 * rise + 0.7 * rise * rise * (3 - 2 * rise)) * 0.6 * (1 - 0.62 * loss);
  };
  const body = bounded(
    (x, y, z) => {
      const radius = length(x, z);
      const outside = Math.max(Math.abs(y - top / 2) - top / 2, 1.8 - radius, radius - 5);
      if (outside > 0.4) return outside;
      const toothed = radius < 4 ? radius - 4.36 : (radius - radiusAt(x, y, z)) * 0.42;
      return Math.max(outside, toothed, -ringSection(radius, y, 2.6, 3.7, 2.25, 3.2, 0.1));
    },
    [0, top / 2, 0],
    [5, top / 2, 5],
  );
  return {
    camera: { from: [1.4, 8.4, 12.5], at: [0.1, 1.9, 3.2], fieldOfView: 27, aperture: 0.1 },
    exposure: 1.45,
    distance: (x, y, z) => Math.min(bench.distance(x, y, z), body(x, y, z)),
    surface(x, y, z, out) {
      if (bench.surface(x, y, z, out)) return;
      const radius = length(x, z);
      const tooth = Math.round(turnsOf(x, y, z));
      const film = layered(noise, x, y, z, 4);
      paintSurface(out, STEEL, radius < 4.2 ? 0.26 + 0.15 * film : 0.12 + 0.12 * film, 1);
      const worn = radius > 4.3 ? smooth(0.15, 0.7, lossAt(x, y, z, tooth)) : 0;
      out.rough = mix(out.rough, 0.5, worn * 0.7);
      const grime = radius > 3.2 && radius < 3.75 ? 0.5 * film : 0.12 * film;
      darken(out, 1 - grime);
    },
    relief(x, y, z) {
      if (y < 0.1) return bench.relief(x, y, z);
      const radius = length(x, z);
      const tooth = Math.round(turnsOf(x, y, z));
      if (y > top - 0.004) return 0.0009 * Math.sin(radius * 120) + 0.001 * noise(x * 20, 0, z * 20);
      return (
        0.0008 * Math.sin((y * 0.8 + radius) * 130) +
        0.02 * lossAt(x, y, z, tooth) * layered(noise, x * 9, y * 9, z * 9, 3)
      );
    },
    reliefStep: 0.006,
  };
}
