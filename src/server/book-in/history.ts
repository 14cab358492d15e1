import * as v from 'valibot';
import { afterValues } from '@/core/rebuild/afterValues';
import { recordsOf } from '@/core/strip/recordsOf';
import { listEarlierJobs } from '@/db/jobs';
import type { Db } from '@/db/open';
import type { EarlierJob } from '@/model/earlier';
import type { Job, JobSnapshot } from '@/model/snapshot';
import { gatherSnapshot } from '../job/readSnapshot';
import { defineUseCase } from '../useCase';

const HistorySchema = v.object({
  serial: v.pipe(v.string(), v.trim(), v.maxLength(40)),
  peg: v.pipe(v.number(), v.integer(), v.minValue(0)),
  machine: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(80)), ''),
  customer: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(80)), ''),
});

/**
 * Whether a unit has been in this house before, by the serial number on it, the peg number stamped on its case, or its machine and
 * owner; with what was fitted and set then, by whom.
 */
export const readHistory = defineUseCase('job.book-in', HistorySchema, (_actor, { db }, input) => ({
  earlier: listEarlierJobs(db, input).map((job) => earlierOf(db, job)),
}));

function earlierOf(db: Db, job: Job): EarlierJob {
  const snapshot = gatherSnapshot(db, job.id);
  const { id: jobId, peg, bookedAt, unitTitle, unitTypeId, serial, tag, customer, customerContact } = job;
  const { machine, distanceKm, complaint, handedOver, ownType } = job;
  const nameOf = (id: string) =>
    snapshot.unitType.positions.find((position) => position.id === id)?.name ?? id;
  return {
    ...{ jobId, peg, bookedAt, unitTitle, unitTypeId, serial, tag, customer, customerContact },
    ...{ machine, distanceKm, complaint, handedOver, hasOwnType: ownType === true },
    renewed: snapshot.decisions
      .filter(({ decision }) => decision.startsWith('replace'))
      .map(({ positionId, by }) => ({ name: nameOf(positionId), by })),
    set: closingValues(snapshot),
    oil: oilOf(snapshot),
  };
}

/** What was read last on the unit that was together again, by whom. */
function closingValues(snapshot: JobSnapshot): EarlierJob['set'] {
  const measured = recordsOf(snapshot.records, 'measured-after');
  const rounds = recordsOf(snapshot.records, 'setup-round');
  return afterValues(snapshot).flatMap(({ check, position, now, atSetUp }) => {
    const value = now.decisive?.value;
    if (value === undefined) return [];
    const record = atSetUp
      ? rounds.at(-1)
      : measured.findLast(
          ({ content }) => content.checkId === check.id && content.positionId === position.id,
        );
    return [{ title: `${check.title}, ${position.name}`, value, unit: check.unit, by: record?.author ?? '' }];
  });
}

function oilOf({ records, job }: JobSnapshot): string {
  const filled = recordsOf(records, 'proved').findLast(({ content }) => content.item === 'oil-filled');
  if (!filled) return job.oilClaimed;
  return `${filled.content.note || job.oilClaimed}, filled by ${filled.author}`;
}
