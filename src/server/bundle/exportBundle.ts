import { createHash } from 'node:crypto';
import fs from 'node:fs';
import { makeZip } from 'client-zip';
import * as v from 'valibot';
import { logChange } from '@/db/changeLog';
import { inTransaction, newestSchema } from '@/db/open';
import { readShop } from '@/db/shop';
import { BUNDLE_FORMAT, type BundleManifest, MANIFEST } from '@/model/bundle';
import { IdSchema } from '@/model/ids';
import { type Context, instant } from '../context';
import { keptPath } from '../files';
import { gatherSnapshot } from '../job/readSnapshot';
import { defineUseCase } from '../useCase';
import { bundleTables } from './bundleTables';
import { gatherBundle } from './gatherBundle';

interface Entry {
  readonly name: string;
  readonly lastModified: Date;
  readonly input: string | AsyncIterable<Uint8Array>;
}

/**
 * The whole job as one ZIP, written while it is read: nothing of it is held but what is just being written. What it holds, and the digest
 * of each, stands in its last entry.
 */
export const exportBundle = defineUseCase(
  'bundle.move',
  v.object({ jobId: IdSchema }),
  (actor, context, { jobId }): { readonly name: string; readonly stream: ReadableStream<Uint8Array> } => {
    const gathered = gatherBundle(context.db, jobId);
    const tables = bundleTables(gatherSnapshot(context.db, jobId));
    inTransaction(context.db, () =>
      logChange(context.db, {
        ...{ at: instant(context), by: actor.id, jobId: null, topic: 'bundle', subject: jobId },
        after: { out: true },
      }),
    );
    return {
      name: `job-${gathered.job.peg}.zip`,
      stream: makeZip(entriesOf(context, gathered, tables)),
    };
  },
);

type Gathered = ReturnType<typeof gatherBundle>;

async function* entriesOf(
  context: Context,
  { job, jobText, people, files: named }: Gathered,
  tables: Record<string, string>,
): AsyncGenerator<Entry> {
  const shop = readShop(context.db);
  const lastModified = context.now();
  const files: BundleManifest['files'][number][] = [];
  const missing: string[] = [];
  const text = (name: string, input: string): Entry => {
    const bytes = Buffer.from(input);
    files.push({
      place: name,
      bytes: bytes.length,
      sha256: createHash('sha256').update(bytes).digest('hex'),
    });
    return { name, lastModified, input };
  };
  yield text('readme.txt', readme(job.unitTitle, job.peg, shop.name));
  yield text('job.json', jobText);
  yield text('people.json', JSON.stringify(people, null, 2));
  for (const [name, csv] of Object.entries(tables)) yield text(`csv/${name}.csv`, csv);
  for (const { folder, digest } of named) {
    const place = keptPath(context.dataFolder, folder, digest);
    const bytes = await soundBytes(place, digest);
    if (bytes === undefined) missing.push(digest);
    else {
      files.push({ place: `${folder}/${digest}`, bytes, sha256: digest });
      yield { name: `${folder}/${digest}`, lastModified, input: fs.createReadStream(place) };
    }
  }
  const manifest: BundleManifest = {
    ...{ format: BUNDLE_FORMAT, schema: newestSchema(), madeAt: context.now().toISOString() },
    ...{ shop: { name: shop.name, place: shop.place }, files, missing },
  };
  yield { name: MANIFEST, lastModified, input: JSON.stringify(manifest, null, 2) };
}

/** How long an original is; nothing where it isn't there any more or isn't what was stored. */
async function soundBytes(place: string, digest: string): Promise<number | undefined> {
  const hash = createHash('sha256');
  let bytes = 0;
  try {
    for await (const chunk of fs.createReadStream(place)) {
      hash.update(chunk as Buffer);
      bytes += (chunk as Buffer).length;
    }
  } catch {
    return undefined;
  }
  return hash.digest('hex') === digest ? bytes : undefined;
}

const readme = (title: string, peg: number, shop: string): string =>
  `One job of a drivetrain shop: ${title}, peg ${peg}, from ${shop}.

manifest.json   what this file holds, with the SHA-256 of each part, and by which version it was written
job.json        the job: its rows, the description of the unit, the documents and gauges that it was judged by
people.json     who is named in it
csv/            readings, findings, grades, decisions and photographs as tables
photographs/    the photographs as they were taken, each under its SHA-256
recordings/     recordings of its noise, WAV, each under its SHA-256

Whoever keeps a shop with the same program takes it in under “Bundles”. The tables open in any program.
`;
