import * as v from 'valibot';
import { listEarlierJobs } from '@/db/jobs';
import { listDecisions } from '@/db/judgements';
import { openJob } from '../job/openJob';
import { defineUseCase } from '../useCase';

export interface EarlierJob {
  readonly peg: number;
  readonly bookedAt: string;
  readonly unitTitle: string;
  readonly machine: string;
  readonly complaint: string;
  /** Names of the parts that were renewed then. */
  readonly renewed: readonly string[];
}

const HistorySchema = v.object({
  serial: v.pipe(v.string(), v.trim(), v.maxLength(40)),
  peg: v.pipe(v.number(), v.integer(), v.minValue(0)),
});

/** Whether a unit has been in this house before, by the serial number on it or by the peg number stamped on its case. */
export const readHistory = defineUseCase('job.book-in', HistorySchema, (_actor, { db }, input) => ({
  earlier: listEarlierJobs(db, input).map(
    ({ id, peg, bookedAt, unitTitle, machine, complaint }): EarlierJob => {
      const { positions } = openJob(db, id).unitType;
      const renewed = listDecisions(db, id)
        .filter(({ decision }) => decision.startsWith('replace'))
        .map(
          ({ positionId }) => positions.find((position) => position.id === positionId)?.name ?? positionId,
        );
      return { peg, bookedAt, unitTitle, machine, complaint, renewed };
    },
  ),
}));
