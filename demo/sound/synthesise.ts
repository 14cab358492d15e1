import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A recording that is made sample by sample, so that what is in it is known. Loudness in dB against the noise's own, by root mean square. */
export interface Making {
  readonly rate: number;
  readonly seconds: number;
  /** Hz at second t: turns of the input. */
  readonly reference: (second: number) => number;
  readonly random: () => number;
}

/** 0 … 1, the same for the same seed; neighbouring seeds don't begin alike. */
export function seeded(seed: number): () => number {
  let mixed = Math.imul(seed ^ 0x9e37_79b9, 0x85eb_ca6b);
  mixed = Math.imul(mixed ^ (mixed >>> 13), 0xc2b2_ae35);
  const generator = xoroshiro128plus(mixed ^ (mixed >>> 16));
  return () => uniformFloat64(generator);
}

const NOISE = 0.05;
const amplitude = (level: number): number => NOISE * Math.SQRT2 * 10 ** (level / 20);

export const emptyRecording = ({ rate, seconds }: Making): Float32Array => new Float32Array(rate * seconds);

export const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());

/** White over the whole band. */
export function addNoise(samples: Float32Array, { random }: Making, level = 0): void {
  const size = NOISE * 10 ** (level / 20);
  for (let at = 0; at < samples.length; at += 1) samples[at]! += size * normal(random);
}

/** A tone at an order, with the order's multiples falling off, and beside each its sidebands where something turns with it unevenly. */
export function addWhine(
  samples: Float32Array,
  making: Making,
  {
    order,
    level,
    multiples = 1,
    sideband,
  }: {
    readonly order: number;
    readonly level: number;
    readonly multiples?: number;
    readonly sideband?: { readonly order: number; readonly depth: number };
  },
): void {
  const { rate, reference, random } = making;
  for (let multiple = 1; multiple <= multiples; multiple += 1) {
    const size = amplitude(level) / multiple;
    let [phase, slow] = [2 * Math.PI * random(), 2 * Math.PI * random()];
    for (let at = 0; at < samples.length; at += 1) {
      const turn = (2 * Math.PI * reference(at / rate)) / rate;
      phase += turn * order * multiple;
      slow += turn * (sideband?.order ?? 0);
      samples[at]! += size * Math.sin(phase) * (1 + (sideband?.depth ?? 0) * Math.sin(slow));
    }
  }
}

/** Blows at an order, each ringing the ring at its own pitch and dying away; `level` is the loudness of all of it. */
export function addBlows(
  samples: Float32Array,
  { rate, reference, random }: Making,
  {
    order,
    level,
    ringHz = 2_800,
  }: { readonly order: number; readonly level: number; readonly ringHz?: number },
): void {
  const own = new Float32Array(samples.length);
  let passed = random();
  for (let at = 0; at < own.length; at += 1) {
    passed += (reference(at / rate) * order) / rate;
    if (passed < 1) continue;
    passed -= 1;
    const blow = 1 + 0.2 * normal(random);
    for (let after = 0; after < rate * 0.008 && at + after < own.length; after += 1)
      own[at + after]! +=
        blow * Math.exp(-after / (rate * 0.0015)) * Math.sin((2 * Math.PI * ringHz * after) / rate);
  }
  const power = Math.sqrt(own.reduce((sum, value) => sum + value * value, 0) / own.length) || 1;
  const size = (NOISE * 10 ** (level / 20)) / power;
  for (let at = 0; at < own.length; at += 1) samples[at]! += own[at]! * size;
}

/** A broad hump of noise, as tyres hum. */
export function addHum(
  samples: Float32Array,
  { rate, random }: Making,
  { hz, level, width = 8 }: { readonly hz: number; readonly level: number; readonly width?: number },
): void {
  const omega = (2 * Math.PI * hz) / rate;
  const alpha = Math.sin(omega) / (2 * width);
  const own = new Float32Array(samples.length);
  let [x1, x2, y1, y2] = [0, 0, 0, 0];
  for (let at = 0; at < own.length; at += 1) {
    const x = normal(random);
    const y = (alpha * (x - x2) + 2 * Math.cos(omega) * y1 - (1 - alpha) * y2) / (1 + alpha);
    [x2, x1, y2, y1] = [x1, x, y1, y];
    own[at] = y;
  }
  const power = Math.sqrt(own.reduce((sum, value) => sum + value * value, 0) / own.length) || 1;
  for (let at = 0; at < own.length; at += 1) samples[at]! += (own[at]! * NOISE * 10 ** (level / 20)) / power;
}

/** What a lamp and its wiring sing. */
export function addMains(samples: Float32Array, { rate }: Making, level: number): void {
  for (let multiple = 1; multiple <= 6; multiple += 1)
    for (let at = 0; at < samples.length; at += 1)
      samples[at]! +=
        (amplitude(level) / multiple) * Math.sin((2 * Math.PI * 50 * multiple * at) / rate + multiple);
}

/** A speed that is off what was said by a part, and wanders slowly by another. */
export function wanderingSpeed(
  reference: number,
  off: number,
  wander: number,
  random: () => number,
): Making['reference'] {
  const [phase, every] = [2 * Math.PI * random(), 6 + 8 * random()];
  return (second) => reference * (1 + off + wander * Math.sin((2 * Math.PI * second) / every + phase));
}
