import { spectrumOf } from './spectrum';

/** A recording as a picture: time to the right, frequency upward. */
export interface Picture {
  readonly columns: number;
  readonly rows: number;
  /** 0 … 255 for each place, column by column from the left and in each from the bottom: 255 is the loudest, 0 what half of it lies under. */
  readonly cells: Uint8ClampedArray;
  /** Seconds and Hz that a column and a row stand for. */
  readonly perColumn: number;
  readonly perRow: number;
}

/** Samples of a piece: an eighth of a second at 16 kHz shows both what lasts and what strikes. */
const PIECE_S = 0.125;
/** At least so many dB from the palest to the darkest: noise alone isn't drawn as if it were loud. */
const LEAST_RANGE_DB = 30;
const MOST_COLUMNS = 1200;

/** The short spectra of a recording, several pieces to a column where there are many. */
export function pictureOf(samples: Float32Array, rate: number): Picture {
  const size = 2 ** Math.round(Math.log2(rate * PIECE_S));
  const { pieces, hop, step } = spectrumOf(samples, rate, size);
  const together = Math.max(1, Math.ceil(pieces.length / MOST_COLUMNS));
  const columns = Math.ceil(pieces.length / together);
  const rows = size / 2;
  const powers = new Float32Array(columns * rows);
  for (const [index, piece] of pieces.entries()) {
    const at = Math.floor(index / together) * rows;
    for (let row = 0; row < rows; row += 1) powers[at + row] = Math.max(powers[at + row]!, piece[row]!);
  }
  let most = 0;
  // What lies at nothing is the room, not the unit.
  for (let at = 0; at < powers.length; at += 1) if (at % rows > 2 && powers[at]! > most) most = powers[at]!;
  const level = (power: number) => 10 * Math.log10(Math.max(power, 1e-30));
  const floor = level(Float32Array.from(powers).sort()[powers.length >> 1] ?? 0);
  const range = Math.max(LEAST_RANGE_DB, level(most) - floor);
  const cells = new Uint8ClampedArray(powers.length);
  for (let at = 0; at < powers.length; at += 1) cells[at] = (255 * (level(powers[at]!) - floor)) / range;
  return { columns, rows, cells, perColumn: hop * together, perRow: step };
}
