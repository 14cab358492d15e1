import fs from 'node:fs';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import sharp from 'sharp';
import { log } from '../log';
import { Refusal } from '../refusal';
import { MOST_PIXELS } from './inspectPicture';

/** ISO base media files name their brand from the fifth byte on; these are the ones that phones write. */
export const isHeic = (head: Uint8Array): boolean =>
  /^ftyp(heic|heix|hevc|hevx|heim|heis|mif1|msf1)/.test(Buffer.from(head.subarray(4, 12)).toString('latin1'));

/** What the decoder's thread answers: without pixels where the picture is too large. */
interface Decoded {
  readonly width: number;
  readonly height: number;
  readonly pixels?: Uint8Array;
}

const DECODER = path.join(process.cwd(), 'src/server/photos/heicWorker.mjs');
/** A picture that keeps the decoder longer than this was made to. */
const LONGEST_MS = 60_000;

/** One after the other: forty phone pictures unpacked side by side have no room. */
let line: Promise<unknown> = Promise.resolve();

/**
 * A phone's HEIC picture as a JPEG, upright, all its pixels; browsers can't show the one, all can the other.
 * @throws Refusal where it can't be decoded whole, or unpacks to more than any camera of the trade takes
 */
export async function heicAsJpeg(file: string): Promise<Buffer> {
  const turn = line.then(() => decoded(file));
  line = turn.catch(() => {});
  const picture = await turn.catch((error: unknown) => {
    // Told to the person as any damaged picture; here it can be seen where the decoder itself is at fault.
    log.warn({ error: String(error) }, 'a HEIC picture could not be decoded');
  });
  if (!picture)
    throw new Refusal(
      'not-a-picture',
      'This HEIC picture is damaged or of a kind that can’t be read. Nothing of it was stored; send it as JPEG.',
    );
  const { width, height, pixels } = picture;
  if (!pixels)
    throw new Refusal(
      'too-large',
      `${width} × ${height} pixels are more than Stereotome takes (120 megapixels). Nothing of it was stored.`,
    );
  return sharp(pixels, { raw: { width, height, channels: 4 } })
    .removeAlpha()
    .jpeg({ quality: 96, chromaSubsampling: '4:4:4' })
    .toBuffer();
}

/** Decodes in a thread of its own, so that no other request waits behind it and no file can hold the server up. */
async function decoded(file: string): Promise<Decoded | undefined> {
  const workerData = { file: await fs.promises.readFile(file), mostPixels: MOST_PIXELS };
  // What the decoder itself says of a bad file helps nobody: it is taken off the server's own output.
  const thread = new Worker(DECODER, { workerData, stdout: true, stderr: true });
  const giveUp = setTimeout(() => void thread.terminate(), LONGEST_MS);
  try {
    return await new Promise((resolve, reject) => {
      thread.once('message', resolve);
      thread.once('error', reject);
      thread.once('exit', () => reject(new Error('the decoder ended without an answer')));
    });
  } finally {
    clearTimeout(giveUp);
    await thread.terminate();
  }
}
