import type { Quad } from '@/core/imaging/raster';
import type { ImagingAnswer, ImagingTask } from '@/workers/imaging';

type Measured = Exclude<ImagingAnswer, { ok: false }>;
export type MeasureAnswer = Measured | { readonly ok: false; readonly message: string };

let tasks = 0;

/**
 * Measures a picture in a worker of its own, which ends when it has answered or when nobody waits any more. The pixels are those
 * of the whole original, upright, as the command line decodes them.
 */
export async function measurePicture(
  source: Blob,
  sum: ImagingTask['sum'],
  corners: Quad,
  signal: AbortSignal,
): Promise<MeasureAnswer> {
  const picture = await pixelsOf(source);
  if (!picture) return { ok: false, message: 'This browser can’t decode the picture.' };
  const worker = new Worker(new URL('../../workers/imaging.ts', import.meta.url), { type: 'module' });
  try {
    return await new Promise<MeasureAnswer>((resolve) => {
      const stopped = () => resolve({ ok: false, message: 'Stopped.' });
      if (signal.aborted) return stopped();
      signal.addEventListener('abort', stopped, { once: true });
      worker.onmessage = ({ data }: MessageEvent<ImagingAnswer>) => resolve(data);
      worker.onerror = () => resolve({ ok: false, message: 'The measurement failed; the picture is kept.' });
      tasks += 1;
      const task: ImagingTask = { id: tasks, sum, picture, corners };
      worker.postMessage(task, [picture.pixels]);
    });
  } finally {
    worker.terminate();
  }
}

async function pixelsOf(source: Blob): Promise<ImagingTask['picture'] | undefined> {
  try {
    const bitmap = await createImageBitmap(source, {
      imageOrientation: 'from-image',
      colorSpaceConversion: 'default',
    });
    const { width, height } = bitmap;
    const canvas = new OffscreenCanvas(width, height);
    const paper = canvas.getContext('2d', { willReadFrequently: true });
    paper?.drawImage(bitmap, 0, 0);
    bitmap.close();
    const pixels = paper?.getImageData(0, 0, width, height).data.buffer as ArrayBuffer | undefined;
    return pixels && { width, height, pixels };
  } catch {
    return undefined;
  }
}
