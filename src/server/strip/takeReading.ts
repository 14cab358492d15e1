import { placesOf } from '@/core/metrology/places';
import { parseReading } from '@/core/quantity/parseReading';
import { sameDimension, toBase } from '@/core/quantity/units';
import { insertReading } from '@/db/captures';
import { listGauges } from '@/db/gauges';
import type { Check } from '@/model/checks';
import { type ReadingCapture, ReadingCaptureSchema } from '@/model/job';
import { UNIT_SYMBOL } from '@/model/units';
import type { Context } from '../context';
import { checkOf, openJob, positionOf } from '../job/openJob';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { refuseOtherAuthor, storeOnce } from './capture';
import { happened } from './happened';

/** Stores one reading as it was taken, and beside it the value in the base unit. Sending it twice is harmless. */
export const takeReading = defineUseCase('capture.take', ReadingCaptureSchema, (actor, context, capture) => {
  refuseOtherAuthor(actor, capture);
  return storeOnce(context, 'reading', capture, (contentDigest) => {
    const { unitType } = openJob(context.db, capture.jobId);
    positionOf(unitType, capture.positionId);
    const value = baseValueOf(capture, checkOf(unitType, capture.checkId, capture.positionId));
    refuseUnknownGauge(context, capture);
    insertReading(context.db, {
      ...capture,
      temperatureC: capture.temperatureC ?? null,
      value,
      ...happened(context, capture),
      contentDigest,
    });
  });
});

function baseValueOf(capture: ReadingCapture, check: Check): number {
  const parsed = parseReading(capture.raw);
  if (!parsed.ok)
    throw new Refusal('bad-input', parsed.message, { faults: [{ path: 'raw', message: parsed.message }] });
  if (!sameDimension(capture.unit, check.unit)) {
    const message = `${check.title} is measured in ${UNIT_SYMBOL[check.unit]}, not in ${UNIT_SYMBOL[capture.unit]}.`;
    throw new Refusal('bad-input', message, { faults: [{ path: 'unit', message }] });
  }
  if (check.difference) {
    const message = `${check.title} is worked out from two other measurements; it isn’t read.`;
    throw new Refusal('bad-input', message, { faults: [{ path: 'checkId', message }] });
  }
  if (!placesOf(check).includes(capture.place)) {
    throw new Refusal('bad-input', `${check.title} has no place “${capture.place}”.`, {
      faults: [{ path: 'place', message: 'unknown place' }],
    });
  }
  return toBase(parsed.value, capture.unit);
}

function refuseUnknownGauge(context: Context, capture: ReadingCapture): void {
  const gauge = listGauges(context.db).find(({ id }) => id === capture.gaugeId);
  if (!gauge)
    throw new Refusal('bad-input', 'This gauge is not on the list.', {
      faults: [{ path: 'gaugeId', message: 'unknown gauge' }],
    });
  if (!sameDimension(gauge.unit, capture.unit)) {
    throw new Refusal('bad-input', `${gauge.name} does not read ${UNIT_SYMBOL[capture.unit]}.`, {
      faults: [{ path: 'gaugeId', message: 'wrong kind of gauge' }],
    });
  }
}
