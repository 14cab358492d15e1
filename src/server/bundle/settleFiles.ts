import fs from 'node:fs';
import path from 'node:path';
import { HEADER_BYTES } from '@/core/sound/wav';
import type { Context } from '../context';
import { besidePath, KEPT_FOLDERS, type KeptFolder, keptPath, settle } from '../files';
import { headOf } from '../photos/headOf';
import { heicAsJpeg, isHeic } from '../photos/heic';
import { inspectPicture } from '../photos/inspectPicture';
import { inspectRecording } from '../recordings/inspectRecording';
import { Refusal } from '../refusal';
import { readEntry } from './openZip';
import type { ReadBundle } from './readBundle';

const PLACE = new RegExp(`^(${KEPT_FOLDERS.join('|')})/`);

/**
 * Takes a bundle's photographs and recordings out one by one: aside first, compared with length and digest, looked into as one from a device
 * would be, and moved to its place by content. What is there already stays. Whatever fails leaves files that no job names, and no job.
 * @throws Refusal for one that was changed, or isn't what it is called
 */
export async function settleFiles(context: Context, { zip, manifest }: ReadBundle): Promise<void> {
  for (const { place, bytes, sha256 } of manifest.files) {
    const folder = PLACE.exec(place)?.[1] as KeptFolder | undefined;
    if (!folder) continue;
    const digest = place.slice(folder.length + 1);
    const settled = keptPath(context.dataFolder, folder, digest);
    if (fs.existsSync(settled)) continue;
    const aside = path.join(context.dataFolder, 'incoming', `${digest}-${context.newId()}`);
    try {
      fs.mkdirSync(path.dirname(aside), { recursive: true });
      const found = await readEntry(zip, zip.entries.get(place)!, aside);
      if (found.sha256 !== digest || sha256 !== digest || found.bytes !== bytes)
        throw new Refusal(
          'altered',
          `A ${folder.slice(0, -1)} of this bundle was changed after it was made (${digest.slice(0, 12)}…). No job was taken in.`,
        );
      if (folder === 'photographs') await settlePhotograph(context, aside, digest);
      else inspectRecording((await headOf(aside, HEADER_BYTES)) ?? new Uint8Array(), found.bytes);
      settle(aside, settled);
    } finally {
      fs.rmSync(aside, { force: true });
    }
  }
}

/** Looked into; of one that browsers can't show the JPEG is put beside its place. */
async function settlePhotograph(context: Context, aside: string, digest: string): Promise<void> {
  const head = (await headOf(aside)) ?? new Uint8Array();
  if (!isHeic(head)) {
    await inspectPicture(aside, head);
    return;
  }
  const beside = `${aside}.jpg`;
  try {
    await fs.promises.writeFile(beside, await heicAsJpeg(aside));
    await inspectPicture(beside, head);
    settle(beside, besidePath(context.dataFolder, digest));
  } finally {
    fs.rmSync(beside, { force: true });
  }
}
