import { createHash } from 'node:crypto';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { RecordOf } from '@/model/recordKinds';

/*
 * A stand-in for an oil laboratory: it answers a sample after a while with a table as laboratories write them. Its figures
 * follow from what came out with the oil and from the distance, scattered as samples scatter; the same sample always gets
 * the same answer.
 */

/** A person should see it wait; tests that drive the interface shorten it. */
export const ANSWERS_AFTER_MS = Number(process.env.STEREOTOME_LAB_ANSWERS_MS ?? 20_000);

/** What the laboratory can know of the oil that it was sent. */
export interface SampleSent {
  readonly id: string;
  readonly distanceKm?: number | undefined;
  readonly drained?: RecordOf<'drained'> | undefined;
}

interface Usual {
  readonly written: string;
  /** ppm in a sound unit after 50 000 km. */
  readonly base: number;
  /** How many times more of it there is with coarse grey, with yellow, and with water in the oil. */
  readonly coarse: number;
  readonly yellow: number;
  readonly water: number;
}

const ELEMENTS: readonly Usual[] = [
  { written: 'Fe', base: 60, coarse: 5, yellow: 1, water: 1.4 },
  { written: 'Cr', base: 1.5, coarse: 5, yellow: 1, water: 1 },
  { written: 'Ni', base: 2, coarse: 3, yellow: 1, water: 1 },
  { written: 'Cu', base: 25, coarse: 1.2, yellow: 6, water: 1 },
  { written: 'Sn', base: 3, coarse: 1, yellow: 5, water: 1 },
  { written: 'Pb', base: 5, coarse: 1, yellow: 2, water: 1 },
  { written: 'Al', base: 7, coarse: 1.5, yellow: 1, water: 1 },
  { written: 'Si', base: 10, coarse: 1.2, yellow: 1, water: 1.8 },
  { written: 'Na', base: 4, coarse: 1, yellow: 1, water: 12 },
  { written: 'PQ', base: 18, coarse: 9, yellow: 1, water: 1 },
];
const COARSE = ['slivers', 'flakes', 'needles', 'chunks'];
const USUAL_KM = 50_000;

/** The laboratory's table: parameter, result with a decimal comma, unit; a line that this shop doesn't judge is there too. */
export function labReport({ id, distanceKm = USUAL_KM, drained }: SampleSent): string {
  const generator = xoroshiro128plus(createHash('sha256').update(id).digest().readInt32LE(0));
  const scatter = () => 0.8 + uniformInt(generator, 0, 400) / 1000;
  const growth = 0.4 + (0.6 * distanceKm) / USUAL_KM;
  const coarse = drained?.magnet.some((found) => COARSE.includes(found)) ?? false;
  const yellow = drained?.glitter.includes('yellow') ?? false;
  const wet = drained !== undefined && drained.water !== 'none';
  const lines = ELEMENTS.map((usual) => {
    const figure =
      usual.base *
      growth *
      scatter() *
      (coarse ? usual.coarse : 1) *
      (yellow ? usual.yellow : 1) *
      (wet ? usual.water : 1);
    return `${usual.written};${figure.toFixed(1).replace('.', ',')};${usual.written === 'PQ' ? 'index' : 'mg/kg'}`;
  });
  const viscosity = (80 * scatter() * (wet ? 0.8 : 1)).toFixed(1).replace('.', ',');
  return ['Parameter;Result;Unit', ...lines, `Viscosity 40;${viscosity};mm2/s`].join('\n');
}
