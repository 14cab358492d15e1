import * as v from 'valibot';
import { logChange } from '@/db/changeLog';
import { insertGauge, listGauges, setCalibratedUntil } from '@/db/gauges';
import { inTransaction } from '@/db/open';
import { CalibrationSchema, NewGaugeSchema } from '@/model/gauge';
import { instant } from '../context';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

export const readGauges = defineUseCase('gauge.read', v.undefined(), (_actor, { db }) => listGauges(db));

export const addGauge = defineUseCase('gauge.keep', NewGaugeSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    if (listGauges(context.db).some(({ name }) => name.toLowerCase() === input.name.toLowerCase())) {
      throw new Refusal('bad-input', `There is a ${input.name} already.`, {
        faults: [{ path: 'name', message: 'taken' }],
      });
    }
    const gauge = { ...input, id: context.newId(), repeatability: input.repeatability ?? null };
    insertGauge(context.db, gauge);
    logChange(context.db, {
      at: instant(context),
      by: actor.id,
      jobId: null,
      topic: 'gauge',
      subject: gauge.id,
      after: gauge,
    });
    return { id: gauge.id };
  }),
);

/** A gauge that came back from calibration. */
export const calibrateGauge = defineUseCase(
  'gauge.keep',
  CalibrationSchema,
  (actor, context, { gaugeId, calibratedUntil }) =>
    inTransaction(context.db, () => {
      const before = listGauges(context.db).find(({ id }) => id === gaugeId);
      if (!before) throw new Refusal('not-found', 'This gauge is not on the list.');
      setCalibratedUntil(context.db, gaugeId, calibratedUntil);
      logChange(context.db, {
        at: instant(context),
        by: actor.id,
        jobId: null,
        topic: 'gauge',
        subject: gaugeId,
        before: { calibratedUntil: before.calibratedUntil },
        after: { calibratedUntil },
      });
      return {};
    }),
);
