import fs from 'node:fs';
import path from 'node:path';
import * as v from 'valibot';
import { insertCatalog } from '@/db/catalogs';
import { logChange } from '@/db/changeLog';
import { insertForeignGauge } from '@/db/gauges';
import { insertJobHome } from '@/db/jobHomes';
import { insertJobRows, type JobRows } from '@/db/jobRows';
import { findJob, findJobByPeg, nextFreePeg } from '@/db/jobs';
import { type Db, inTransaction } from '@/db/open';
import { findPerson, findPersonByName, insertForeignPerson, nameAbroad, namesOfPeople } from '@/db/people';
import { insertUnitType } from '@/db/unitTypes';
import { type BundlePreview, TakeInSchema } from '@/model/bundle';
import type { Actor } from '@/model/people';
import { type Context, instant } from '../context';
import { receiveAside } from '../files';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { rowsAside } from './aside';
import { type PlannedAlong, planAlong } from './planAlong';
import { type ReadBundle, readBundle } from './readBundle';
import { settleFiles } from './settleFiles';

const MOST_BUNDLE_BYTES = 20_000_000_000;
const HOUR_MS = 3_600_000;

const asideOf = ({ dataFolder }: Context, bundleId: string): string =>
  path.join(dataFolder, 'incoming', `bundle-${bundleId}.zip`);

const BodySchema = v.object({
  body: v.custom<AsyncIterable<Uint8Array>>(
    (value) => typeof value === 'object' && value !== null && Symbol.asyncIterator in value,
    'a stream of bytes',
  ),
});

/** Receives a bundle aside, looks through it, and tells what taking it in would do. Nothing of the shop's is changed by it. */
export const previewBundle = defineUseCase(
  'bundle.move',
  BodySchema,
  async (_actor, context, { body }): Promise<BundlePreview> => {
    sweepOld(context);
    const bundleId = context.newId();
    const file = asideOf(context, bundleId);
    await receiveAside(body, file, MOST_BUNDLE_BYTES);
    try {
      const bundle = await readBundle(file);
      try {
        return tell(context.db, bundle, bundleId);
      } finally {
        bundle.zip.close();
      }
    } catch (error) {
      fs.rmSync(file, { force: true });
      throw error;
    }
  },
);

/** What somebody looked at and didn't take in goes after an hour. */
function sweepOld(context: Context): void {
  const folder = path.dirname(asideOf(context, 'x'));
  const before = context.now().getTime() - HOUR_MS;
  for (const name of fs.existsSync(folder) ? fs.readdirSync(folder) : [])
    if (name.startsWith('bundle-') && fs.statSync(path.join(folder, name)).mtimeMs < before)
      fs.rmSync(path.join(folder, name), { force: true });
}

function tell(db: Db, bundle: ReadBundle, bundleId: string): BundlePreview {
  const { manifest, job, people, jobId } = bundle;
  const along = planAlong(db, job, jobId);
  refuseFalseNames(db, people);
  // Read whole once, so that nobody is offered what can't be taken in.
  rowsAside(bundle, along);
  const row = job.tables.jobs![0]!;
  const filesIn = (folder: string) => manifest.files.filter(({ place }) => place.startsWith(`${folder}/`));
  const [pictures, recordings] = [filesIn('photographs'), filesIn('recordings')];
  const homePeg = Number(row.peg);
  return {
    bundleId,
    ...{ shop: manifest.shop.name, madeAt: manifest.madeAt, homePeg },
    ...{ title: String(row.unit_title), machine: String(row.machine), customer: String(row.customer) },
    bookedAt: String(row.booked_at),
    peg: findJobByPeg(db, homePeg) ? nextFreePeg(db) : homePeg,
    here: findJob(db, jobId)?.peg ?? null,
    ...{ photographs: pictures.length, recordings: recordings.length },
    bytes: [...pictures, ...recordings].reduce((sum, { bytes }) => sum + bytes, 0),
    missing: manifest.missing.length,
    people: people.filter(({ id }) => !findPerson(db, id)).map(({ name }) => name),
    along: along.told,
  };
}

/** Takes a bundle in that was looked through: its photographs and recordings first, each compared with its digest, then all its rows at once. */
export const takeInBundle = defineUseCase(
  'bundle.move',
  TakeInSchema,
  async (actor, context, { bundleId, peg }): Promise<{ readonly jobId: string; readonly peg: number }> => {
    const file = asideOf(context, bundleId);
    if (!fs.existsSync(file))
      throw new Refusal('gone', 'This bundle is not here any more. Please choose its file again.');
    const bundle = await readBundle(file);
    try {
      refuseTaken(context.db, bundle.jobId, peg);
      refuseFalseNames(context.db, bundle.people);
      const along = planAlong(context.db, bundle.job, bundle.jobId);
      const rows = rowsAside(bundle, along);
      await settleFiles(context, bundle);
      inTransaction(context.db, () => {
        // Somebody may have been quicker while the files came.
        refuseTaken(context.db, bundle.jobId, peg);
        putIn(actor, context, { bundle, along, rows, peg });
      });
    } finally {
      bundle.zip.close();
    }
    fs.rmSync(file, { force: true });
    return { jobId: bundle.jobId, peg };
  },
);

function refuseTaken(db: Db, jobId: string, peg: number): void {
  const known = findJob(db, jobId);
  if (known)
    throw new Refusal(
      'conflict',
      `This job is here already: it hangs on peg ${known.peg}. Nothing was taken in.`,
    );
  if (findJobByPeg(db, peg))
    throw new Refusal('bad-input', `Peg ${peg} is taken. The next free one is ${nextFreePeg(db)}.`, {
      faults: [{ path: 'peg', message: 'taken' }],
    });
}

/** Nobody of this shop is given another shop’s words under another name. */
function refuseFalseNames(db: Db, people: ReadBundle['people']): void {
  const here = new Map(
    namesOfPeople(
      db,
      people.map(({ id }) => id),
    ).map(({ id, name }) => [id, name]),
  );
  const wrong = people.find(({ id, name }) => here.has(id) && here.get(id) !== name);
  if (wrong)
    throw new Refusal(
      'bad-input',
      `This bundle calls somebody “${wrong.name}” who is “${here.get(wrong.id)}” here. Nothing of it was taken in.`,
    );
}

interface TakenIn {
  readonly bundle: ReadBundle;
  readonly along: PlannedAlong;
  readonly rows: JobRows;
  readonly peg: number;
}

function putIn(actor: Actor, context: Context, { bundle, along, rows, peg }: TakenIn): void {
  const { db } = context;
  const { manifest, jobId, people } = bundle;
  const [at, home] = [instant(context), manifest.shop.name];
  for (const { id, name } of people)
    if (!findPerson(db, id)) putPerson(db, { id, name, home, createdAt: at });
  for (const gauge of along.newGauges) insertForeignGauge(db, gauge, home);
  for (const [kind, document] of along.newDocuments) insertCatalog(db, kind, document, at);
  const [job] = rows.jobs!;
  // A job names the revision of its type, so that comes first.
  for (const type of along.newUnitTypes)
    insertUnitType(db, type, { at, by: actor.id, ownOfJob: jobId, note: `came with a job of ${home}` });
  putRows(db, { ...rows, jobs: [{ ...job!, peg }] });
  insertJobHome(db, { jobId, shop: home, peg: Number(job!.peg), maps: along.maps, by: actor.id, at });
  logChange(db, {
    ...{ at, by: actor.id, jobId: null, topic: 'bundle', subject: jobId },
    after: { in: true, from: home, homePeg: job!.peg, peg },
  });
}

function putRows(db: Db, rows: JobRows): void {
  try {
    insertJobRows(db, rows);
  } catch (error) {
    // What it holds stands here already, under another job.
    if (!(error instanceof Error) || !/UNIQUE|PRIMARY KEY/.test(error.message)) throw error;
    throw new Refusal(
      'conflict',
      'Something of this job is here already, under another one. Nothing was taken in.',
    );
  }
}

function putPerson(db: Db, person: { id: string; name: string; home: string; createdAt: string }): void {
  const name = nameAbroad(person.name, person.home);
  // Two of one name in one shop, or two shops of one name: told apart by the id's last figures.
  const taken = findPersonByName(db, name) !== undefined;
  insertForeignPerson(db, { ...person, name: taken ? `${person.id.slice(-4)}, ${name}` : name });
}
