import { describe, expect, it } from 'vitest';
import wavefile from 'wavefile';
import { loudnessOf } from './loudness';
import { readWavHeader, samplesOf, wavOf } from './wav';

/** Written by a package that knows nothing of this one. */
function written(
  channels: 1 | 2,
  rate: number,
  bits: '16' | '24' | '32' | '32f',
  samples: number[][],
): Uint8Array {
  const wav = new wavefile.WaveFile();
  wav.fromScratch(channels, rate, '32f', channels === 1 ? samples[0]! : samples);
  wav.toBitDepth(bits);
  return wav.toBuffer();
}
const bufferOf = (bytes: Uint8Array) =>
  bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length) as ArrayBuffer;
const wave = [0, 0.5, -0.5, 0.25, -1, 0.999];
const changed = (bytes: Uint8Array, at: number, value: number, size: 2 | 4) => {
  const copy = bytes.slice();
  const view = new DataView(copy.buffer);
  if (size === 2) view.setUint16(at, value, true);
  else view.setUint32(at, value, true);
  return copy;
};

describe('a WAV', () => {
  it.each([
    [1, 8000, '16', 4e-5],
    [2, 44_100, '24', 1e-6],
    [1, 96_000, '32', 1e-6],
    [2, 48_000, '32f', 1e-6],
  ] as const)(
    'of %i channels at %i Hz with %s bits is read as another program wrote it',
    (channels, rate, bits, within) => {
      const file = written(
        channels,
        rate,
        bits,
        channels === 1 ? [wave] : [wave, wave.map((value) => value / 2)],
      );
      const format = readWavHeader(file, file.length);
      expect(format).toMatchObject({ channels, rate, frames: 6, isFloat: bits === '32f' });
      expect(format.seconds).toBeCloseTo(6 / rate, 12);
      // Of two channels the mean: three quarters of the first.
      const wanted = channels === 1 ? wave : wave.map((value) => value * 0.75);
      for (const [at, value] of samplesOf(bufferOf(file), format).entries())
        expect(Math.abs(value - wanted[at]!)).toBeLessThanOrEqual(within);
    },
  );

  it('as it is written here is read by another program', () => {
    const other = new wavefile.WaveFile(
      new Uint8Array(wavOf([Float32Array.from(wave), Float32Array.from([0.1])], 16_000)),
    );
    expect(other.fmt).toMatchObject({ sampleRate: 16_000, numChannels: 1, bitsPerSample: 16 });
    const read = other.getSamples(false, Float64Array) as unknown as Float64Array;
    expect([...read].map((value) => Number((value / 32_767).toFixed(3)))).toEqual([...wave, 0.1]);
  });

  it('that was cut off is read as far as it goes', () => {
    const file = written(1, 8000, '16', [wave]).slice(0, -4);
    expect(readWavHeader(file, file.length).frames).toBe(4);
  });

  const good = written(1, 8000, '16', [wave]);
  it.each([
    ['an MP3', Uint8Array.of(0xff, 0xfb, 0x90, 0x44, ...new Array(40).fill(0)), 44, 'it is an MP3'],
    ['an MP3 with a title', new TextEncoder().encode('ID3 and more of it'), 44, 'it is an MP3'],
    ['a text', new TextEncoder().encode('RIFF is what it begins with, no more'), 36, 'it is no WAV'],
    ['nothing', new Uint8Array(), 0, 'it is empty'],
    ['192 kHz', changed(good, 24, 192_000, 4), good.length, 'it has 192 kHz; 8 to 96'],
    ['six channels', changed(good, 22, 6, 2), good.length, 'it has 6 channels'],
    ['eight bits', changed(good, 34, 8, 2), good.length, 'its samples have 8 bits'],
    ['packed samples', changed(good, 20, 85, 2), good.length, 'its samples are packed'],
    // Three hours of 8 000 samples of two bytes.
    [
      'three hours',
      changed(good, 40, 3 * 3600 * 16_000, 4),
      44 + 3 * 3600 * 16_000,
      'it is 3 hours 0 minutes long',
    ],
    ['no samples', good.slice(0, 44), 44, 'there is not one sample in it'],
    ['a header alone', good.slice(0, 36), 36, 'no samples were found in it'],
  ])('%s is refused from its header, in words', (_, head, bytes, words) => {
    expect(() => readWavHeader(head as Uint8Array, bytes)).toThrow(words);
  });
});

describe('how loud it is', () => {
  const sine = (size: number, top = Number.POSITIVE_INFINITY) =>
    Float32Array.from({ length: 8000 }, (_, at) => Math.max(-top, Math.min(top, size * Math.sin(at / 5))));
  it('tells a level, silence, and tops that are cut off at any height', () => {
    // By hand: a sine of 0.5 has 0.5/√2, −9.03 dB.
    expect(loudnessOf(sine(0.5)).level).toBeCloseTo(-9.03, 1);
    expect(loudnessOf(sine(0.5))).toMatchObject({ clipped: false, silent: false });
    expect(loudnessOf(sine(1, 0.6))).toMatchObject({ clipped: true });
    expect(loudnessOf(new Float32Array(100))).toMatchObject({ silent: true, clipped: false });
  });
});
