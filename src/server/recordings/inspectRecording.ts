import { BadInput } from '@/core/badInput';
import { readWavHeader, type WavFormat } from '@/core/sound/wav';
import { Refusal } from '../refusal';

/**
 * What a file says of itself in its first bytes.
 * @throws Refusal with a sentence for what is no WAV, or none that can be analysed
 */
export function inspectRecording(head: Uint8Array, bytes: number): WavFormat {
  try {
    return readWavHeader(head, bytes);
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    throw new Refusal('bad-input', `${error.message}. Nothing of it was stored.`);
  }
}
