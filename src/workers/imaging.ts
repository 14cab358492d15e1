import { BadInput } from '@/core/badInput';
import { type ContactPatternResult, contactPattern } from '@/core/imaging/contactPattern';
import type { Quad } from '@/core/imaging/raster';
import { type SurfaceDamageResult, surfaceDamage } from '@/core/imaging/surfaceDamage';

/** What the page asks of the worker: one picture, handed over and not copied, and the region to look at. */
export interface ImagingTask {
  readonly id: number;
  readonly sum: 'contact-pattern' | 'surface-damage';
  readonly picture: { readonly width: number; readonly height: number; readonly pixels: ArrayBuffer };
  readonly corners: Quad;
}

export type ImagingAnswer =
  | {
      readonly id: number;
      readonly ok: true;
      readonly sum: 'contact-pattern';
      readonly result: ContactPatternResult;
    }
  | {
      readonly id: number;
      readonly ok: true;
      readonly sum: 'surface-damage';
      readonly result: SurfaceDamageResult;
    }
  | { readonly id: number; readonly ok: false; readonly message: string };

/** Receives, calls the same function that the command line has, and answers under the task's number. */
self.onmessage = ({ data: { id, sum, picture, corners } }: MessageEvent<ImagingTask>) => {
  const { width, height, pixels } = picture;
  const raster = { width, height, channels: 4 as const, data: new Uint8ClampedArray(pixels) };
  try {
    const answer: ImagingAnswer =
      sum === 'contact-pattern'
        ? { id, ok: true, sum, result: contactPattern(raster, { flank: corners }) }
        : { id, ok: true, sum, result: surfaceDamage(raster, { region: corners }) };
    self.postMessage(answer);
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    self.postMessage({ id, ok: false, message: error.message } satisfies ImagingAnswer);
  }
};
