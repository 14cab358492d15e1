import type { CameraOptions } from './camera';
import { chance } from './noise';

/** One picture of a series: light, finish, lens and what is eaten differ with the seed. */
export function craterSeries(seed: number, sound = false): CameraOptions {
  const random = chance(seed * 2711 + 17);
  const pick = <T>(...choices: readonly T[]): T => choices[Math.floor(random() * choices.length)]!;
  const spread = pick('single', 'heaps', 'band');
  const usual = {
    single: 0.006 + 0.05 * random(),
    heaps: 0.02 + 0.3 * random() ** 1.6,
    band: 0.05 + 0.25 * random(),
  };
  return {
    seed,
    spread,
    eaten: sound ? 0 : usual[spread],
    finish: pick('ground', 'ground', 'honed', 'lapped'),
    floor: 0.2 + 0.22 * random(),
    round: pick(0, 0.3 + 0.6 * random()),
    lampAt: [0.15 + 0.7 * random(), 0.1 + 0.8 * random()],
    shine: 0.1 + 0.5 * random(),
    exposure: 0.45 + 0.4 * random(),
    noise: 0.5 + random(),
    quality: 74 + Math.floor(18 * random()),
    stains: sound ? pick(0, 0.6, 0.9) : 0,
  };
}
