import FFT from 'fft.js';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { analyse } from '@/core/sound/analyse';
import { ordersOfUnit } from '@/core/sound/orders';
import { addNoise, addWhine, emptyRecording, type Making, seeded } from '../../demo/sound/synthesise';

/* A minute at 16 kHz with a tone in it, and the transforms that its analysis can't do without. */

const [RATE, SECONDS, SIZE] = [16_000, 60, 16_384];
const making: Making = { rate: RATE, seconds: SECONDS, random: seeded(1), reference: () => 25 };
const samples = emptyRecording(making);
addNoise(samples, making);
addWhine(samples, making, { order: 11, level: -10, multiples: 2 });
const type = shippedUnitTypes().find(({ id }) => id === 'torvane-hx41')!;
const unit = ordersOfUnit(type, 'Drive')!;

export const heardInAMinute = () =>
  analyse(samples, RATE, { ...unit, turning: { reference: 25, doubt: 0.02 } }).matches.length;

/** Pieces of the whole recording, half a piece apart, transformed and nothing more; the envelope's lie in them eight times over. */
export function transformsOfAMinute(): number {
  const fft = new FFT(SIZE);
  const [piece, out] = [new Float64Array(SIZE), new Float64Array(2 * SIZE)];
  let done = 0;
  for (let from = 0; from + SIZE <= samples.length; from += SIZE / 2) {
    piece.set(samples.subarray(from, from + SIZE));
    fft.realTransform(out, piece);
    done += 1;
  }
  const small = new FFT(2048);
  const [shortPiece, shortOut] = [new Float64Array(2048), new Float64Array(4096)];
  for (let from = 0; from + 2048 <= samples.length / 8; from += 1024) {
    shortPiece.set(samples.subarray(from, from + 2048));
    small.realTransform(shortOut, shortPiece);
    done += 1;
  }
  return done;
}
