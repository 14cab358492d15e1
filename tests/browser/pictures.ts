import fs from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';

const PHOTOGRAPHS = path.resolve(import.meta.dirname, '../../demo/photographs');

/** One of the demonstration's photographs, as a file that is chosen. */
export const demoPhotograph = (name: string) => ({
  name,
  mimeType: 'image/jpeg',
  buffer: fs.readFileSync(path.join(PHOTOGRAPHS, name)),
});

/** A real JPEG as a phone held upright stores it: on its side, with the orientation in its EXIF, and a place. */
export async function phonePhotograph(name = 'IMG_2041.jpg') {
  const upright = await sharp(path.join(PHOTOGRAPHS, 'cross-pin-flat.jpg')).resize(1200, 900).toBuffer();
  const buffer = await sharp(upright)
    .rotate(270)
    .withMetadata({ orientation: 6 })
    .withExifMerge({
      IFD2: { DateTimeOriginal: '2026:11:20 15:42:10' },
      IFD3: {
        GPSLatitudeRef: 'N',
        GPSLatitude: '46/1 30/1 0/1',
        GPSLongitudeRef: 'E',
        GPSLongitude: '8/1 15/1 0/1',
      },
    })
    .jpeg()
    .toBuffer();
  return { name, mimeType: 'image/jpeg', buffer };
}
