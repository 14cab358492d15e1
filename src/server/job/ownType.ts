import { pinUnitType } from '@/db/jobs';
import { insertUnitType, isOwnOfJob } from '@/db/unitTypes';
import type { Actor } from '@/model/people';
import type { Job } from '@/model/snapshot';
import type { UnitType } from '@/model/unitType';
import { type Context, instant } from '../context';
import { Refusal } from '../refusal';

/** The next revision of a job's own type. A type that other jobs share is never changed under them. */
export function ownTypeOf({ db }: Context, unitType: UnitType): UnitType {
  if (!isOwnOfJob(db, unitType.id)) {
    throw new Refusal(
      'bad-input',
      'This unit type is shared. Parts are described in a unit that was booked in as not described yet.',
    );
  }
  return { ...unitType, revision: unitType.revision + 1 };
}

/** Stores the next revision of a job's own type and lets the job go by it. */
export function storeOwnType(context: Context, job: Job, next: UnitType, actor: Actor, note = ''): void {
  insertUnitType(context.db, next, { at: instant(context), by: actor.id, ownOfJob: job.id, note });
  pinUnitType(context.db, job.id, job.version, next.revision);
}
