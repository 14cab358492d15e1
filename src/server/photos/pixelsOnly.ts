import sharp from 'sharp';

/*
 * A picture's own compressed pixels without what the camera wrote beside them: nothing is decoded and stored anew, so that the
 * browser measures exactly what the command line measures.
 */

/**
 * The bytes of a picture without place, camera and words; of formats other than JPEG a lossless copy. A JPEG that isn't built as one
 * should be is decoded and stored anew: what can't be read through can't be cleaned.
 */
export async function pixelsOnly(
  original: Buffer,
): Promise<{ readonly bytes: Buffer; readonly mime: string }> {
  if (original[0] === 0xff && original[1] === 0xd8) {
    const bytes =
      jpegPixels(original) ?? (await sharp(original).autoOrient().jpeg({ quality: 95 }).toBuffer());
    return { bytes, mime: 'image/jpeg' };
  }
  const bytes = await sharp(original).autoOrient().keepIccProfile().png({ compressionLevel: 3 }).toBuffer();
  return { bytes, mime: 'image/png' };
}

const START_OF_SCAN = 0xda;
const END_OF_IMAGE = 0xd9;
const EXIF = 0xe1;
const COMMENT = 0xfe;
/** APP3 to APP13 hold makers' notes and captions; APP0, the colour profile in APP2 and Adobe's transform in APP14 are needed. */
const isNote = (marker: number) =>
  marker === EXIF || marker === COMMENT || (marker >= 0xe3 && marker <= 0xed);

/**
 * A JPEG without its notes; of the EXIF only the orientation is kept, which tells how to look at the pixels. It ends where the picture
 * ends: what phones hang behind it (a second picture with an EXIF of its own, a film) stays out. Undefined where the file can't be
 * walked through to its end.
 */
function jpegPixels(original: Buffer): Buffer | undefined {
  const kept: Buffer[] = [original.subarray(0, 2)];
  let orientation = 1;
  let at = 2;
  for (;;) {
    const marker = original[at] === 0xff ? original[at + 1] : undefined;
    if (marker === undefined) return undefined;
    if (marker === 0xff) {
      // A filling byte before a marker.
      at += 1;
      continue;
    }
    if (marker === END_OF_IMAGE) break;
    if (at + 4 > original.length) return undefined;
    let end = at + 2 + original.readUInt16BE(at + 2);
    if (end > original.length) return undefined;
    if (marker === START_OF_SCAN) end = endOfScan(original, end);
    if (marker === EXIF) orientation = orientationIn(original.subarray(at + 4, end)) ?? orientation;
    if (!isNote(marker)) kept.push(original.subarray(at, end));
    at = end;
  }
  if (orientation !== 1) kept.splice(1, 0, orientationSegment(orientation));
  kept.push(original.subarray(at, at + 2));
  return Buffer.concat(kept);
}

/** Where the compressed data of a scan ends: at the next marker that is neither a stuffed byte nor a restart. */
function endOfScan(original: Buffer, from: number): number {
  let at = original.indexOf(0xff, from);
  while (at >= 0 && at + 1 < original.length) {
    const next = original[at + 1]!;
    if (next !== 0 && next !== 0xff && !(next >= 0xd0 && next <= 0xd7)) return at;
    at = original.indexOf(0xff, at + (next === 0xff ? 1 : 2));
  }
  return original.length;
}

/** The orientation tag (0x0112) of an Exif segment's first directory. */
function orientationIn(segment: Buffer): number | undefined {
  if (segment.toString('latin1', 0, 6) !== 'Exif\0\0' || segment.length < 14) return undefined;
  const tiff = segment.subarray(6);
  const little = tiff.toString('latin1', 0, 2) === 'II';
  const two = (at: number) => (little ? tiff.readUInt16LE(at) : tiff.readUInt16BE(at));
  const directory = little ? tiff.readUInt32LE(4) : tiff.readUInt32BE(4);
  if (directory + 2 > tiff.length) return undefined;
  for (let entry = 0; entry < two(directory); entry += 1) {
    const place = directory + 2 + entry * 12;
    if (place + 12 > tiff.length) return undefined;
    if (two(place) === 0x0112) return two(place + 8);
  }
  return undefined;
}

/** An Exif segment that says nothing but the orientation. */
function orientationSegment(orientation: number): Buffer {
  const body = Buffer.from(
    'Exif\0\0MM\0\x2a\0\0\0\x08\0\x01\x01\x12\0\x03\0\0\0\x01\0\0\0\0\0\0\0\0',
    'latin1',
  );
  body.writeUInt16BE(orientation, 24);
  const head = Buffer.from([0xff, EXIF, 0, 0]);
  head.writeUInt16BE(body.length + 2, 2);
  return Buffer.concat([head, body]);
}
