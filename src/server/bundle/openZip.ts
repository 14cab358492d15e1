import { createHash } from 'node:crypto';
import fs from 'node:fs';
import type { Readable } from 'node:stream';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { MOST_RECORDING_BYTES } from '@/core/sound/wav';
import { isBundlePlace } from '@/model/bundle';
import { Refusal } from '../refusal';

/* A ZIP that somebody brings is looked at before anything of it is unpacked, and never unpacked under a name of its own. */

const MOST_ENTRIES = 20_000;
/** What is text is held in memory; what is a picture is not. */
const MOST_TEXT_BYTES = 200_000_000;
const MOST_PICTURE_BYTES = 50_000_000;
const MOST_BYTES = 20_000_000_000;
/** Text packs to a tenth; what packs to a hundredth and more was made to burst. */
const MOST_RATIO = 100;
const SMALL = 1_000_000;

export interface Zip {
  /** By its place in the bundle. */
  readonly entries: ReadonlyMap<string, Entry>;
  readonly open: (entry: Entry) => Promise<Readable>;
  readonly close: () => void;
}

const refused = (words: string) => new Refusal('bad-input', `${words} Nothing of it was taken in.`);

/** @throws Refusal for what is no ZIP, or holds what no bundle holds */
export async function openZip(file: string): Promise<Zip> {
  const zip = await new Promise<ZipFile>((resolve, reject) => {
    yauzl.open(file, { lazyEntries: true, autoClose: false, validateEntrySizes: true }, (error, opened) =>
      error ? reject(refused('This file is no ZIP, or it did not arrive whole.')) : resolve(opened),
    );
  });
  try {
    return {
      entries: await entriesOf(zip),
      open: (entry) =>
        new Promise((resolve, reject) => {
          zip.openReadStream(entry, (error, stream) => (error ? reject(error) : resolve(stream)));
        }),
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

async function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  if (zip.entryCount > MOST_ENTRIES)
    throw refused(
      `This ZIP says that it holds ${zip.entryCount} files; a bundle holds at most ${MOST_ENTRIES}.`,
    );
  const entries = new Map<string, Entry>();
  let bytes = 0;
  await new Promise<void>((resolve, reject) => {
    zip.on('entry', (entry: Entry) => {
      try {
        bytes += entry.uncompressedSize;
        refuseStrange(entry, entries, bytes);
        entries.set(entry.fileName, entry);
        zip.readEntry();
      } catch (error) {
        reject(error);
      }
    });
    zip.on('end', resolve);
    // The package itself refuses names that lead outside, and tables that don't hold together.
    zip.on('error', (error: Error) =>
      reject(
        refused(
          /relative path|absolute path|invalid characters/.test(error.message)
            ? 'A file of this ZIP leads outside of it.'
            : 'This ZIP does not hold together.',
        ),
      ),
    );
    zip.readEntry();
  });
  return entries;
}

const LINK = 0o120000;
const KIND = 0o170000;

function refuseStrange(entry: Entry, known: ReadonlyMap<string, Entry>, bytes: number): void {
  const {
    fileName: name,
    uncompressedSize: size,
    compressedSize,
    externalFileAttributes: attributes,
  } = entry;
  if (!isBundlePlace(name)) throw refused(`“${name.slice(0, 80)}” belongs into no bundle.`);
  if (known.has(name)) throw refused(`“${name}” stands twice in this ZIP.`);
  if (((attributes >>> 16) & KIND) === LINK) throw refused(`“${name}” is a link, not a file.`);
  if ((entry.generalPurposeBitFlag & 1) === 1) throw refused('This ZIP is locked with a password.');
  const most = mostBytes(name);
  if (size > most || bytes > MOST_BYTES) throw refused(`“${name}” would be too large.`);
  if (size > SMALL && size / Math.max(1, compressedSize) > MOST_RATIO)
    throw refused(`“${name}” would unpack to ${Math.round(size / compressedSize)} times its size.`);
}

function mostBytes(name: string): number {
  if (name.startsWith('photographs/')) return MOST_PICTURE_BYTES;
  return name.startsWith('recordings/') ? MOST_RECORDING_BYTES : MOST_TEXT_BYTES;
}

interface Measured {
  readonly bytes: number;
  readonly sha256: string;
}

/** The bytes of an entry, counted and hashed as they pass; written into a file where one is named. */
export async function readEntry(
  zip: Zip,
  entry: Entry,
  into?: string,
): Promise<Measured & { readonly text: string }> {
  const hash = createHash('sha256');
  const chunks: Buffer[] = [];
  let bytes = 0;
  const file = into === undefined ? undefined : await fs.promises.open(into, 'wx');
  try {
    for await (const chunk of await zip.open(entry)) {
      hash.update(chunk as Buffer);
      bytes += (chunk as Buffer).length;
      if (file) await file.write(chunk as Buffer);
      else chunks.push(chunk as Buffer);
    }
    await file?.sync();
  } catch {
    throw refused(`“${entry.fileName}” can’t be unpacked.`);
  } finally {
    await file?.close();
  }
  return { bytes, sha256: hash.digest('hex'), text: Buffer.concat(chunks).toString('utf8') };
}
