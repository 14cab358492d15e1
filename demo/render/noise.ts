import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Smooth three-dimensional value noise in 0…1, the same for the same seed. */
export type Noise = (x: number, y: number, z: number) => number;

const SIZE = 256;

export function seededNoise(seed: number): Noise {
  const generator = xoroshiro128plus(seed);
  const lattice = Float64Array.from({ length: SIZE }, () => uniformInt(generator, 0, 65535) / 65535);
  const order = Uint8Array.from({ length: SIZE }, (_, index) => index);
  for (let index = SIZE - 1; index > 0; index -= 1) {
    const other = uniformInt(generator, 0, index);
    [order[index], order[other]] = [order[other]!, order[index]!];
  }
  const at = (x: number, y: number, z: number) =>
    lattice[order[(order[(order[x & 255]! + y) & 255]! + z) & 255]!]!;
  // No function is made inside: this is called billions of times, and naming a fresh one each time costs more than the sum.
  return (x, y, z) => {
    const ix = Math.floor(x);
    const iy = Math.floor(y);
    const iz = Math.floor(z);
    const u = fade(x - ix);
    const v = fade(y - iy);
    const w = fade(z - iz);
    const near = mix(
      mix(at(ix, iy, iz), at(ix + 1, iy, iz), u),
      mix(at(ix, iy + 1, iz), at(ix + 1, iy + 1, iz), u),
      v,
    );
    const far = mix(
      mix(at(ix, iy, iz + 1), at(ix + 1, iy, iz + 1), u),
      mix(at(ix, iy + 1, iz + 1), at(ix + 1, iy + 1, iz + 1), u),
      v,
    );
    return mix(near, far, w);
  };
}

const fade = (t: number): number => t * t * (3 - 2 * t);

/** Several octaves of noise, about 0…1. */
export function layered(noise: Noise, x: number, y: number, z: number, octaves: number): number {
  let sum = 0;
  let weight = 0.5;
  let scale = 1;
  let total = 0;
  for (let octave = 0; octave < octaves; octave += 1) {
    sum += weight * noise(x * scale + octave * 17.3, y * scale - octave * 9.1, z * scale + octave * 4.7);
    total += weight;
    weight *= 0.5;
    scale *= 2.03;
  }
  return sum / total;
}

export const smooth = (from: number, to: number, value: number): number => {
  const t = Math.min(1, Math.max(0, (value - from) / (to - from)));
  return t * t * (3 - 2 * t);
};
export const mix = (a: number, b: number, t: number): number => a + (b - a) * t;
