import * as v from 'valibot';
import { newestSchema } from '@/db/open';
import {
  BUNDLE_FORMAT,
  type BundledJob,
  BundledJobSchema,
  BundledPeopleSchema,
  type BundledPerson,
  type BundleManifest,
  BundleManifestSchema,
  MANIFEST,
} from '@/model/bundle';
import { IdSchema } from '@/model/ids';
import { sha256 } from '../digest';
import { Refusal } from '../refusal';
import { openZip, readEntry, type Zip } from './openZip';

/** A bundle that holds together: what it says it holds is there, and nothing else. Pictures are compared when they are taken out. */
export interface ReadBundle {
  readonly zip: Zip;
  readonly manifest: BundleManifest;
  readonly job: BundledJob;
  readonly people: readonly BundledPerson[];
  /** Of the job. */
  readonly jobId: string;
}

const refused = (words: string) => new Refusal('bad-input', `${words} Nothing of it was taken in.`);

/** @throws Refusal for what is no bundle, one of a newer version, one that was changed */
export async function readBundle(file: string): Promise<ReadBundle> {
  const zip = await openZip(file);
  try {
    const manifest = await readManifest(zip);
    compareEntries(zip, manifest);
    const job = parse(BundledJobSchema, await readText(zip, manifest, 'job.json'), 'job.json');
    const people = parse(BundledPeopleSchema, await readText(zip, manifest, 'people.json'), 'people.json');
    const jobId = onlyJob(job);
    compareReports(job);
    return { zip, manifest, job, people, jobId };
  } catch (error) {
    zip.close();
    throw error;
  }
}

async function readManifest(zip: Zip): Promise<BundleManifest> {
  const entry = zip.entries.get(MANIFEST);
  if (!entry) throw refused('This ZIP is no bundle: it doesn’t say what it holds.');
  const found = json((await readEntry(zip, entry)).text, MANIFEST) as Partial<BundleManifest>;
  if (Number(found?.format) > BUNDLE_FORMAT || Number(found?.schema) > newestSchema())
    throw refused('This bundle was made by a newer version of the program. Bring this one up to date first.');
  return parse(BundleManifestSchema, found, MANIFEST);
}

function compareEntries({ entries }: Zip, { files }: BundleManifest): void {
  const told = new Set(files.map(({ place }) => place));
  if (told.size !== files.length) throw refused('This bundle names a file twice.');
  for (const place of told) if (!entries.has(place)) throw refused(`“${place}” is missing from this bundle.`);
  for (const place of entries.keys())
    if (place !== MANIFEST && !told.has(place))
      throw refused(`“${place}” isn’t what this bundle says it holds.`);
}

async function readText(zip: Zip, manifest: BundleManifest, place: string): Promise<unknown> {
  const told = manifest.files.find((file) => file.place === place);
  const entry = zip.entries.get(place);
  if (!told || !entry) throw refused(`“${place}” is missing from this bundle.`);
  const { sha256, bytes, text } = await readEntry(zip, entry);
  if (sha256 !== told.sha256 || bytes !== told.bytes)
    throw refused(`“${place}” was changed after this bundle was made.`);
  return json(text, place);
}

function json(text: string, place: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw refused(`“${place}” can’t be read.`);
  }
}

function parse<Schema extends v.GenericSchema>(schema: Schema, value: unknown, place: string) {
  const parsed = v.safeParse(schema, value);
  if (parsed.success) return parsed.output;
  const [issue] = parsed.issues;
  throw refused(
    `“${place}” is not as it should be (${v.getDotPath(issue) ?? 'the whole'}: ${issue.message}).`,
  );
}

/** What was frozen is still what was frozen: each report’s text against its digest. */
function compareReports({ tables }: BundledJob): void {
  for (const row of tables.report_issues ?? []) {
    const { number, previous_digest: previous, document_json: text, digest } = row;
    if (sha256(`${previous ?? ''}\n${number}\n${text}`) !== digest)
      throw refused(`Report ${number} of this job isn’t what was issued.`);
  }
}

/** Its one job; every row belongs to it. */
function onlyJob({ tables }: BundledJob): string {
  const [row, ...others] = tables.jobs ?? [];
  const id = v.safeParse(IdSchema, row?.id);
  if (!id.success || others.length > 0) throw refused('This bundle holds no job, or more than one.');
  for (const [table, rows] of Object.entries(tables))
    if (table !== 'jobs' && rows.some(({ job_id: of }) => of !== id.output))
      throw refused('This bundle holds rows of another job.');
  return id.output;
}
