import * as v from 'valibot';
import { listRecords } from '@/db/captures';
import { inTransaction } from '@/db/open';
import { CheckSchema } from '@/model/checks';
import { CaptureIdSchema, IdSchema, VersionSchema, words } from '@/model/ids';
import { Refusal } from '../refusal';
import { refuseStale } from '../refuseStale';
import { shopToday } from '../shopDay';
import { defineUseCase } from '../useCase';
import { freeCheckId, refuseNewCheck, storeCheck } from './addCheck';
import { openJob, positionOf } from './openJob';

const limit = v.optional(v.pipe(v.number(), v.finite()));

const InputSchema = v.object({
  jobId: IdSchema,
  version: VersionSchema,
  /** The record of the figure. */
  figureId: CaptureIdSchema,
  min: limit,
  max: limit,
  /** Where the limits come from; needed with one. */
  source: words(120),
});

/**
 * A figure that no check asked for becomes a check of the unit type, with limits where somebody knows them. The figure itself is taken as its
 * first reading by whoever asks, and struck out as a figure.
 */
export const checkFromFigure = defineUseCase('unit-type.describe', InputSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { job, unitType } = openJob(context.db, input.jobId);
    refuseStale(job, input);
    refuseNewCheck(context.db, actor, unitType);
    const record = listRecords(context.db, job.id).find(({ id, struck }) => id === input.figureId && !struck);
    if (record?.content.what !== 'figure') throw new Refusal('not-found', 'This figure is not of this job.');
    const { positionId, measured, unit } = record.content;
    const position = positionOf(unitType, positionId);
    const { min, max, source } = input;
    const hasLimit = min !== undefined || max !== undefined;
    if (hasLimit && source === '')
      throw new Refusal(
        'bad-input',
        'Where does the limit come from? A figure without a source judges nothing.',
        {
          faults: [{ path: 'source', message: 'needed with a limit' }],
        },
      );
    const parsed = v.safeParse(CheckSchema, {
      ...{
        id: freeCheckId(unitType, `${positionId}-figure`),
        title: measured,
        positions: [positionId],
        unit,
      },
      howTo: 'As it was first measured here.',
      limits: hasLimit
        ? [
            {
              ...{ kind: 'service', unit, source: { kind: 'shop', words: source } },
              ...{ enteredBy: actor.name, enteredOn: shopToday(context) },
              ...(min === undefined ? {} : { min }),
              ...(max === undefined ? {} : { max }),
            },
          ]
        : [],
    });
    if (!parsed.success)
      throw new Refusal('bad-input', `${parsed.issues[0].message}. Nothing was stored.`, {
        faults: [{ path: 'min', message: parsed.issues[0].message }],
      });
    const note = `${measured} for ${position.name}, from peg ${job.peg}`;
    const revision = storeCheck(context, actor, { job, unitType, check: parsed.output, note });
    return { checkId: parsed.output.id, revision };
  }),
);
