import { logChange } from '@/db/changeLog';
import { pinUnitType } from '@/db/jobs';
import type { Db } from '@/db/open';
import { insertUnitType, isOwnOfJob, newestRevision } from '@/db/unitTypes';
import type { Check } from '@/model/checks';
import type { Actor } from '@/model/people';
import { mayDo } from '@/model/rights';
import type { Job } from '@/model/snapshot';
import type { UnitType } from '@/model/unitType';
import { type Context, instant } from '../context';
import { Refusal } from '../refusal';

/** A job's own type grows with whoever describes it; a shared one is the lead's. */
export const mayAddCheck = (db: Db, { role }: Actor, { id }: UnitType): boolean =>
  mayDo(role, isOwnOfJob(db, id) ? 'unit-type.describe' : 'limit.keep');

/** @throws Refusal where somebody else keeps the checks of this type, or the job goes by an older revision of it */
export function refuseNewCheck(db: Db, actor: Actor, unitType: UnitType): void {
  if (!mayAddCheck(db, actor, unitType))
    throw new Refusal(
      'no-right',
      'The lead keeps the checks of this shared type. A figure without a check can be put down at once.',
    );
  if (newestRevision(db, unitType.id) !== unitType.revision)
    throw new Refusal(
      'bad-input',
      'There is a newer revision of this unit type. Take that over for this job first.',
    );
}

/** An id that no check of the type has yet. */
export function freeCheckId({ checks }: UnitType, wanted: string): string {
  const base = wanted.slice(0, 60);
  const taken = new Set(checks.map(({ id }) => id));
  let id = base;
  for (let next = 2; taken.has(id); next += 1) id = `${base}-${next}`;
  return id;
}

interface NewCheck {
  readonly job: Job;
  readonly unitType: UnitType;
  readonly check: Check;
  readonly note: string;
}

/** Stores the next revision of the type with one more check and lets the job go by it; answers the revision. */
export function storeCheck(context: Context, actor: Actor, { job, unitType, check, note }: NewCheck): number {
  const { db } = context;
  const revision = unitType.revision + 1;
  const at = instant(context);
  insertUnitType(
    db,
    { ...unitType, revision, checks: [...unitType.checks, check] },
    { ...{ at, by: actor.id, note }, ...(isOwnOfJob(db, unitType.id) ? { ownOfJob: job.id } : {}) },
  );
  pinUnitType(db, job.id, job.version, revision);
  logChange(db, {
    ...{ at, by: actor.id, jobId: job.id, topic: 'check', subject: check.id },
    after: { revision, title: check.title, positions: check.positions },
  });
  return revision;
}
