import { BadInput } from '@/core/badInput';
import { type Crop, cropFor, within } from '@/core/imaging/cropFor';
import { refuseBadQuad } from '@/core/imaging/homography';
import { type ContactPatternResult, contactPattern } from '@/core/imaging/pattern/contactPattern';
import { type SurfaceDamageResult, surfaceDamage } from '@/core/imaging/pits/surfaceDamage';
import { proposeFlank } from '@/core/imaging/proposeFlank';
import type { Point, Quad, Raster } from '@/core/imaging/raster';
import { type FoundCard, findScaleCard } from '@/core/imaging/scaleCard';
import { onTask } from './madeOf';

/** What the page asks for; places in pixels of the upright picture. */
export type ImagingWork =
  | { readonly sum: 'contact-pattern'; readonly corners: Quad; readonly compound?: string | undefined }
  | {
      readonly sum: 'surface-damage';
      readonly corners: Quad;
      readonly outline?: readonly Point[] | undefined;
      readonly mmPerPixel?: number | undefined;
      readonly sound?: Point | undefined;
    }
  | { readonly sum: 'flank-corners' }
  | { readonly sum: 'scale-card' };

interface Results {
  'contact-pattern': ContactPatternResult;
  'surface-damage': SurfaceDamageResult;
  'flank-corners': Quad | undefined;
  'scale-card': FoundCard | undefined;
}
export type ResultOf<Work extends ImagingWork> = Results[Work['sum']];

export interface ImagingTask {
  readonly id: number;
  /** Where the picture comes from: the shop's computer, or this device while it waits. */
  readonly source: string | Blob;
  readonly work: ImagingWork;
}

export type ImagingMessage =
  | { readonly id: number; readonly step: 'fetched' | 'decoded' }
  | { readonly id: number; readonly ok: true; readonly result: Results[ImagingWork['sum']] }
  | { readonly id: number; readonly ok: false; readonly message: string };

/** More pixels than this are looked over at half the size: a tablet has no room for two copies of them. */
const MOST_WHOLE = 14_000_000;

/** The file in hand; a second sum on the same picture needn't fetch it again. */
let held: { readonly source: string | Blob; readonly file: Blob } | undefined;

/** Receives, calls the same functions that the command line has, and answers under the task's number. */
onTask<ImagingTask>(async ({ id, source, work }) => {
  const tell = (message: ImagingMessage) => self.postMessage(message);
  try {
    const file = await fileOf(source);
    tell({ id, step: 'fetched' });
    const bitmap = await decoded(file);
    tell({ id, step: 'decoded' });
    try {
      tell({ id, ok: true, result: resultOf(bitmap, work) });
    } finally {
      bitmap.close();
    }
  } catch (error) {
    // Whatever went wrong, whoever asked is told: a worker that dies in silence leaves him waiting.
    const known = error instanceof BadInput;
    tell({ id, ok: false, message: known ? error.message : 'The measurement failed; the picture is kept' });
    if (!known) throw error;
  }
});

async function fileOf(source: string | Blob): Promise<Blob> {
  if (held?.source !== source) {
    const file = typeof source === 'string' ? await fetched(source) : source;
    held = { source, file };
  }
  return held!.file;
}

async function fetched(address: string): Promise<Blob> {
  try {
    const response = await fetch(address);
    if (response.ok) return await response.blob();
  } catch {
    // Told below.
  }
  throw new BadInput('', 'The picture can’t be fetched now. Try again when the network is back');
}

async function decoded(file: Blob): Promise<ImageBitmap> {
  try {
    return await createImageBitmap(file, { imageOrientation: 'from-image', colorSpaceConversion: 'default' });
  } catch {
    throw new BadInput('', 'This browser can’t decode the picture');
  }
}

function resultOf(bitmap: ImageBitmap, work: ImagingWork): Results[ImagingWork['sum']] {
  switch (work.sum) {
    case 'contact-pattern':
    case 'surface-damage': {
      refuseBadQuad(work.corners, bitmap, work.sum === 'contact-pattern' ? 'flank' : 'region');
      const sound = work.sum === 'surface-damage' ? work.sound : undefined;
      const crop = cropFor(work.corners, bitmap, sound);
      const [picture, corners] = [pixelsOf(bitmap, crop, 1), within(work.corners, crop)];
      if (work.sum === 'contact-pattern')
        return contactPattern(picture, {
          flank: corners,
          ...(work.compound ? { compound: work.compound } : {}),
        });
      const outline = work.outline?.map(([x, y]) => [x - crop.x, y - crop.y] as const);
      return surfaceDamage(picture, {
        ...{ region: corners, outline, mmPerPixel: work.mmPerPixel },
        sound: sound && [sound[0] - crop.x, sound[1] - crop.y],
      });
    }
    case 'flank-corners': {
      const { picture, scale } = overlooked(bitmap);
      return scaled(proposeFlank(picture), scale);
    }
    case 'scale-card': {
      const { picture, scale } = overlooked(bitmap);
      const found = findScaleCard(picture);
      return (
        found && { corners: scaled(found.corners, scale)!, cornerDeviation: found.cornerDeviation * scale }
      );
    }
  }
}

/** The whole picture, at half its size where it is very large. */
function overlooked(bitmap: ImageBitmap): { readonly picture: Raster; readonly scale: number } {
  const scale = bitmap.width * bitmap.height > MOST_WHOLE ? 2 : 1;
  return {
    picture: pixelsOf(bitmap, { x: 0, y: 0, width: bitmap.width, height: bitmap.height }, scale),
    scale,
  };
}

const scaled = (quad: Quad | undefined, scale: number): Quad | undefined =>
  quad?.map(([x, y]) => [x * scale, y * scale] as const) as unknown as Quad | undefined;

function pixelsOf(bitmap: ImageBitmap, { x, y, width, height }: Crop, smaller: number): Raster {
  const [wide, high] = [Math.floor(width / smaller), Math.floor(height / smaller)];
  const paper = new OffscreenCanvas(wide, high).getContext('2d', { willReadFrequently: true });
  if (!paper) throw new BadInput('', 'This device has no room for the picture');
  paper.drawImage(bitmap, x, y, width, height, 0, 0, wide, high);
  return { width: wide, height: high, channels: 4, data: paper.getImageData(0, 0, wide, high).data };
}
