import { BadInput } from '../badInput';

/*
 * WAV is read here and not by a package: the known ones want the whole file in memory and make eight bytes of every sample, and ten minutes
 * in stereo at 96 kHz are 460 MB as they lie. Tests hold it against such a package.
 */

export interface WavFormat {
  /** Hz */
  readonly rate: number;
  readonly channels: 1 | 2;
  readonly bits: 16 | 24 | 32;
  readonly isFloat: boolean;
  /** Where the samples begin in the file, bytes. */
  readonly dataAt: number;
  /** Samples of each channel. */
  readonly frames: number;
  readonly seconds: number;
}

export const LONGEST_S = 600;
export const SAMPLE_RATES = { least: 8_000, most: 96_000 };
/** All of a header lies in this many bytes, unless somebody hid something in it. */
export const HEADER_BYTES = 65_536;
/** Ten minutes of the largest format with its header. */
export const MOST_RECORDING_BYTES = LONGEST_S * SAMPLE_RATES.most * 2 * 4 + HEADER_BYTES;

const PCM = 1;
const FLOAT = 3;
const EXTENSIBLE = 0xff_fe;

/**
 * What a file says of itself in its first bytes.
 * @param head the first `HEADER_BYTES` of the file, or all of it
 * @param bytes length of the whole file: what a header promises beyond it isn't there
 * @throws BadInput with a sentence for what is no WAV, or none that can be analysed
 */
export function readWavHeader(head: Uint8Array, bytes: number): WavFormat {
  const view = new DataView(head.buffer, head.byteOffset, head.byteLength);
  const text = (at: number) => String.fromCharCode(...head.subarray(at, at + 4));
  if (head.length < 12 || text(0) !== 'RIFF' || text(8) !== 'WAVE') throw refused(notWav(head));
  let said: Omit<WavFormat, 'dataAt' | 'frames' | 'seconds'> | undefined;
  for (let at = 12; at + 8 <= head.length; ) {
    const [name, size] = [text(at), view.getUint32(at + 4, true)];
    if (name === 'fmt ' && at + 24 <= head.length) said = formatOf(view, at + 8, size);
    if (name === 'data') {
      if (!said) throw refused('its samples come before it says what they are');
      return lengthOf(said, at + 8, Math.min(size, bytes - at - 8));
    }
    at += 8 + size + (size % 2);
  }
  throw refused('no samples were found in it');
}

const refused = (why: string): BadInput => new BadInput('recording', `This recording can’t be taken: ${why}`);

function notWav(head: Uint8Array): string {
  const [a = 0, b = 0, c = 0] = head;
  const isMp3 = (a === 0xff && (b & 0xe0) === 0xe0) || (a === 0x49 && b === 0x44 && c === 0x33);
  if (isMp3)
    return 'it is an MP3, whatever it is called; a WAV is needed, for an MP3 throws away what is looked for';
  return head.length === 0 ? 'it is empty' : 'it is no WAV file';
}

function formatOf(
  view: DataView,
  at: number,
  size: number,
): Omit<WavFormat, 'dataAt' | 'frames' | 'seconds'> {
  const tag = view.getUint16(at, true);
  const channels = view.getUint16(at + 2, true);
  const rate = view.getUint32(at + 4, true);
  const bits = view.getUint16(at + 14, true);
  // The extensible form says what it is in the first two bytes of a longer mark.
  const kind =
    tag === EXTENSIBLE && size >= 26 && at + 26 <= view.byteLength ? view.getUint16(at + 24, true) : tag;
  if (kind !== PCM && kind !== FLOAT) throw refused('its samples are packed; plain PCM or float is needed');
  const isFloat = kind === FLOAT;
  if (isFloat ? bits !== 32 : ![16, 24, 32].includes(bits))
    throw refused(`its samples have ${bits} bits; 16, 24, 32 or float of 32 are read`);
  if (channels !== 1 && channels !== 2) throw refused(`it has ${channels} channels; one or two are read`);
  if (rate < SAMPLE_RATES.least || rate > SAMPLE_RATES.most)
    throw refused(`it has ${rate / 1000} kHz; 8 to 96 kHz are read`);
  return { rate, channels, bits: bits as 16 | 24 | 32, isFloat };
}

function lengthOf(
  said: Omit<WavFormat, 'dataAt' | 'frames' | 'seconds'>,
  dataAt: number,
  bytes: number,
): WavFormat {
  const frames = Math.floor(bytes / (said.channels * (said.bits / 8)));
  const seconds = frames / said.rate;
  if (frames === 0) throw refused('there is not one sample in it');
  if (seconds > LONGEST_S) throw refused(`it is ${tellLength(seconds)} long; ten minutes are the most`);
  return { ...said, dataAt, frames, seconds };
}

const tellLength = (seconds: number): string => {
  const minutes = Math.round(seconds / 60);
  return minutes < 120 ? `${minutes} minutes` : `${Math.floor(minutes / 60)} hours ${minutes % 60} minutes`;
};

/** A WAV of one channel with 16 bits, from pieces of samples −1 … 1. */
export function wavOf(pieces: readonly Float32Array[], rate: number): ArrayBuffer {
  const frames = pieces.reduce((sum, { length }) => sum + length, 0);
  const file = new ArrayBuffer(44 + 2 * frames);
  const view = new DataView(file);
  const text = (at: number, words: string) => {
    for (let index = 0; index < words.length; index += 1) view.setUint8(at + index, words.charCodeAt(index));
  };
  text(0, 'RIFF');
  view.setUint32(4, 36 + 2 * frames, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, PCM, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, 2 * frames, true);
  let at = 44;
  for (const piece of pieces)
    for (const value of piece) {
      view.setInt16(at, Math.max(-1, Math.min(1, value)) * 0x7f_ff, true);
      at += 2;
    }
  return file;
}

/** Both channels as one, −1 … 1. */
export function samplesOf(file: ArrayBuffer, format: WavFormat): Float32Array {
  const { channels, frames, dataAt } = format;
  const read = readerOf(new DataView(file), format);
  const step = format.bits / 8;
  const samples = new Float32Array(frames);
  for (let frame = 0, at = dataAt; frame < frames; frame += 1) {
    let sum = 0;
    for (let channel = 0; channel < channels; channel += 1, at += step) sum += read(at);
    samples[frame] = sum / channels;
  }
  return samples;
}

function readerOf(view: DataView, { bits, isFloat }: WavFormat): (at: number) => number {
  if (isFloat)
    return (at) => {
      const value = view.getFloat32(at, true);
      return Number.isFinite(value) ? value : 0;
    };
  if (bits === 16) return (at) => view.getInt16(at, true) / 0x80_00;
  if (bits === 32) return (at) => view.getInt32(at, true) / 0x80_00_00_00;
  // Three bytes, the highest with its sign.
  return (at) => (view.getInt8(at + 2) * 0x1_00_00 + view.getUint16(at, true)) / 0x80_00_00;
}
