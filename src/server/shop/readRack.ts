import * as v from 'valibot';
import { currentStation, stationCounts } from '@/core/decisions/stationCounts';
import { openHolds, tellHold } from '@/core/strip/holds';
import { openAsked } from '@/core/wear/askedOf';
import { partStates } from '@/core/wear/partStates';
import { type Db, inTransaction } from '@/db/open';
import { listRack, listRackDays, putRackRow, type RackCounted } from '@/db/rack';
import { readShop } from '@/db/shop';
import type { RackEntry } from '@/model/snapshot';
import { gatherSnapshot } from '../job/readSnapshot';
import { log } from '../log';
import { defineUseCase } from '../useCase';
import { shopDangers } from './dangers';

const RACK_SIZE = 60;
/** Raised when what is counted for the rack changes: rows of an older code are made anew. */
const MADE_BY = 3;

const PageSchema = v.object({
  afterDue: v.optional(v.pipe(v.string(), v.maxLength(10, 'a day like 2026-11-24')), ''),
  afterPeg: v.optional(v.pipe(v.number(), v.integer('a whole number')), 0),
});

/** The shelves: a page of the units in the house, by due date, with what each waits for. */
export const readRack = defineUseCase('job.read', PageSchema, (_actor, context, page) => {
  const { db } = context;
  // One more than is shown tells whether there are more.
  const found = listRack(db, { ...page, size: RACK_SIZE + 1, madeBy: MADE_BY });
  const listed = found.slice(0, RACK_SIZE);
  const missing = listed.filter(({ counted }) => counted === null).map(({ jobId }) => jobId);
  const made = makeRows(db, missing);
  return {
    shop: readShop(db),
    dangers: shopDangers(context),
    days: listRackDays(db),
    more: found.length > RACK_SIZE,
    entries: listed.map(
      ({ counted, ...job }): RackEntry => ({ ...job, ...(counted ?? made.get(job.jobId)!) }),
    ),
  };
});

/** Counts what is not counted, or was before the job changed; one transaction for all of a page. */
function makeRows(db: Db, jobIds: readonly string[]): ReadonlyMap<string, RackCounted> {
  if (jobIds.length === 0) return new Map();
  return inTransaction(db, () => {
    const made = new Map(jobIds.map((jobId) => [jobId, counted(db, jobId)]));
    for (const [jobId, row] of made) putRackRow(db, jobId, MADE_BY, row);
    return made;
  });
}

/** A job that can't be read hangs there all the same, says so, and harms no other. */
function counted(db: Db, jobId: string): RackCounted {
  try {
    const snapshot = gatherSnapshot(db, jobId);
    const station = currentStation(stationCounts(snapshot, partStates(snapshot)));
    const weights = snapshot.unitType.positions.flatMap(({ weightKg }) => weightKg ?? []);
    return {
      unitFamily: snapshot.unitType.family,
      weightKg: weights.length > 0 ? weights.reduce((sum, weight) => sum + weight, 0) : null,
      hold: openHolds(snapshot.records).map(tellHold).join('. '),
      station: station.id,
      stationOpen: station.open ?? 0,
      asked: openAsked(snapshot.records).length,
      trouble: '',
    };
  } catch (error) {
    log.error({ err: error, jobId }, 'a job can’t be read for the rack');
    return {
      ...{ unitFamily: 'other', weightKg: null, hold: '', station: 'book-in', stationOpen: 0, asked: 0 },
      trouble: 'This job can’t be read.',
    };
  }
}
