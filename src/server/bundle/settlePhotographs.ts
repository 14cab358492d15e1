import fs from 'node:fs';
import path from 'node:path';
import type { Context } from '../context';
import { besidePath, photographPath, settle } from '../files';
import { headOf } from '../photos/headOf';
import { heicAsJpeg, isHeic } from '../photos/heic';
import { inspectPicture } from '../photos/inspectPicture';
import { Refusal } from '../refusal';
import { readEntry } from './openZip';
import type { ReadBundle } from './readBundle';

const PLACE = 'photographs/';

/**
 * Takes a bundle's photographs out one by one: aside first, compared with length and digest, looked into as one from a device would be, and
 * moved to its place by content. What is there already stays. Whatever fails leaves pictures that no job names, and no job.
 * @throws Refusal for one that was changed, or is no picture
 */
export async function settlePhotographs(context: Context, { zip, manifest }: ReadBundle): Promise<void> {
  for (const { place, bytes, sha256 } of manifest.files) {
    if (!place.startsWith(PLACE)) continue;
    const digest = place.slice(PLACE.length);
    const settled = photographPath(context.dataFolder, digest);
    if (fs.existsSync(settled)) continue;
    const aside = path.join(context.dataFolder, 'incoming', `${digest}-${context.newId()}`);
    const beside = `${aside}.jpg`;
    try {
      fs.mkdirSync(path.dirname(aside), { recursive: true });
      const found = await readEntry(zip, zip.entries.get(place)!, aside);
      if (found.sha256 !== digest || sha256 !== digest || found.bytes !== bytes)
        throw new Refusal(
          'altered',
          `A photograph of this bundle was changed after it was made (${digest.slice(0, 12)}…). No job was taken in.`,
        );
      const head = (await headOf(aside)) ?? new Uint8Array();
      const heic = isHeic(head);
      if (heic) await fs.promises.writeFile(beside, await heicAsJpeg(aside));
      await inspectPicture(heic ? beside : aside, head);
      if (heic) settle(beside, besidePath(context.dataFolder, digest));
      settle(aside, settled);
    } finally {
      for (const left of [aside, beside]) fs.rmSync(left, { force: true });
    }
  }
}
