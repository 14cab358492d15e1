import type { Point } from '@/core/imaging/raster';
import type { LookedAt } from '../picture/PicturePane';

/** The colour round a place of a picture, as #rrggbb: the mean of a few pixels, so that grain doesn't decide. */
export async function pickColour(picture: LookedAt, [x, y]: Point): Promise<string | undefined> {
  const { jobId, id, waiting, width, height } = picture;
  const address = `/api/v1/jobs/${jobId}/photographs/${id}?size=1280`;
  const file: Blob = waiting ?? (await (await fetch(address)).blob());
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = bitmap.width / width;
  const paper = new OffscreenCanvas(5, 5).getContext('2d', { willReadFrequently: true });
  if (!paper || height === 0) return undefined;
  paper.drawImage(bitmap, 2 - x * scale, 2 - y * scale);
  bitmap.close();
  const { data } = paper.getImageData(0, 0, 5, 5);
  const mean = (channel: number) => {
    let sum = 0;
    for (let at = channel; at < data.length; at += 4) sum += data[at]!;
    return Math.round(sum / 25);
  };
  return `#${[0, 1, 2].map((channel) => mean(channel).toString(16).padStart(2, '0')).join('')}`;
}
