import * as v from 'valibot';
import { orderFound } from '@/core/strip/orderFound';
import { stripPlan } from '@/core/strip/stripPlan';
import { listRecords } from '@/db/captures';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { insertUnitType, isOwnOfJob, newestRevision, readUnitType } from '@/db/unitTypes';
import { IdSchema, words } from '@/model/ids';
import type { UnitType } from '@/model/unitType';
import { instant } from '../context';
import { openJob } from '../job/openJob';
import { storeOwnType } from '../job/ownType';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

const InputSchema = v.object({ jobId: IdSchema, note: words(200, 1) });

/**
 * Keeps the order in which this job's unit came apart as the next revision of its type, on the lead's word. The job itself
 * stays with its revision, unless the type is its own.
 */
export const keepOrder = defineUseCase('unit-type.keep', InputSchema, (actor, context, { jobId, note }) =>
  inTransaction(context.db, () => {
    const { job, unitType } = openJob(context.db, jobId);
    const isOwn = isOwnOfJob(context.db, unitType.id);
    const newest = isOwn
      ? unitType
      : readUnitType(context.db, unitType.id, newestRevision(context.db, unitType.id));
    if (!newest) throw new Refusal('not-found', 'There is no such unit type.');
    const steps = orderFound(newest, stripPlan(newest, listRecords(context.db, jobId)));
    if (!steps)
      throw new Refusal(
        'bad-input',
        'It came apart in the order that its type has already. Nothing was stored.',
      );
    const next: UnitType = { ...newest, revision: newest.revision + 1, steps };
    if (isOwn) storeOwnType(context, job, next, actor, note);
    else insertUnitType(context.db, next, { at: instant(context), by: actor.id, note });
    logChange(context.db, {
      at: instant(context),
      by: actor.id,
      jobId,
      topic: 'unit-type',
      subject: next.id,
      before: { steps: newest.steps.map(({ id }) => id) },
      after: { revision: next.revision, note, steps: steps.map(({ id }) => id) },
    });
    return { revision: next.revision };
  }),
);
