import { cautionById } from '@/core/catalogs/cautions';
import { placesOf } from '@/core/metrology/places';
import { ordersOf } from '@/core/planning/orders';
import { parseReading } from '@/core/quantity/parseReading';
import { sameDimension } from '@/core/quantity/units';
import { expectedPieces } from '@/core/strip/inventory';
import { findPhotograph, findRecording, insertRecord, listReadings, listRecords } from '@/db/captures';
import { listGauges } from '@/db/gauges';
import { listIdentities } from '@/db/measuring';
import { readMoney } from '@/db/shop';
import { writeReturnOwed } from '@/db/waiting';
import { BenchRecordCaptureSchema } from '@/model/benchRecord';
import { type Actor, AS_ROLE } from '@/model/people';
import type { RecordContent } from '@/model/recordKinds';
import { RECORD_KINDS, refersTo } from '@/model/recordKinds';
import { mayDo } from '@/model/rights';
import type { Job } from '@/model/snapshot';
import { UNIT_SYMBOL } from '@/model/units';
import type { Position, UnitType } from '@/model/unitType';
import { catalogsInForce } from '../catalogs/catalogsInForce';
import type { Context } from '../context';
import { checkOf, type OpenJob, openJob, positionOf } from '../job/openJob';
import { putInOutbox } from '../planning/outbox';
import {
  cancelOrder,
  refuseArrival,
  refuseComparison,
  refuseEarlyScrap,
  refuseNewDay,
  refuseReturn,
  refuseTaking,
  takeOrder,
} from '../planning/refuseOrder';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { refuseOtherAuthor, storeOnce } from './capture';
import { happened } from './happened';
import { refuseStillWorkedOn, refuseWholeRound } from './refuseRework';

/** Stores what the bench records beside readings, findings and photographs. Sending it twice is harmless. */
export const keepRecord = defineUseCase(
  'record.keep',
  BenchRecordCaptureSchema,
  (actor, context, capture) => {
    refuseOtherAuthor(actor, capture);
    refuseWithoutRight(actor, capture.content);
    const stored = storeOnce(context, 'record', capture, (contentDigest) => {
      refuseUnknown(context, openJob(context.db, capture.jobId), capture.content);
      if (capture.content.what === 'order-cancelled') cancelOrder(context, capture.jobId, capture.content);
      if (capture.content.what === 'parts-ordered') takeOrder(actor, context, capture.jobId, capture.content);
      refuseOthersQuestion(actor, context, capture.jobId, capture.content);
      insertRecord(context.db, { ...capture, ...happened(context, capture), contentDigest });
      if (ABOUT_GOODS.has(capture.content.what)) markReturns(context, capture.jobId);
    });
    if (capture.content.what === 'parts-ordered') {
      const order = ordersOf(listRecords(context.db, capture.jobId)).find(({ id }) => id === capture.id);
      if (order) putInOutbox(context.dataFolder, order, readMoney(context.db));
    }
    return stored;
  },
);

const ABOUT_GOODS: ReadonlySet<string> = new Set(['goods-in', 'goods-compared', 'goods-back', 'goods-taken']);

/** What is to be sent back is known of a job even when it is gone. */
function markReturns({ db }: Context, jobId: string): void {
  const isWrong = ordersOf(listRecords(db, jobId)).some(({ lines }) => lines.some(({ wrong }) => wrong > 0));
  writeReturnOwed(db, jobId, isWrong);
}

/** A record may only name what this job has; what it can't do without has to be there. */
function refuseUnknown(context: Context, { job, unitType }: OpenJob, content: RecordContent): void {
  const jobId = job.id;
  const { positions = [], checks = [], steps = [], photographs = [], recordings = [] } = refersTo(content);
  for (const id of positions) positionOf(unitType, id);
  for (const { checkId, positionId } of checks) checkOf(unitType, checkId, positionId);
  for (const id of steps)
    if (!unitType.steps.some((step) => step.id === id))
      throw missing('content.stepId', `This unit has no step “${id}”.`);
  for (const id of photographs) photographOf(context, jobId, id);
  for (const id of recordings)
    if (findRecording(context.db, id)?.jobId !== jobId)
      throw missing('content.recordingId', 'There is no such recording in this job.');
  switch (content.what) {
    case 'match':
      refuseUnknownPiece(context, jobId, content);
      return;
    case 'caution-seen':
      if (!cautionById(catalogsInForce(context.db, job.catalogs), content.cautionId))
        throw missing('content.cautionId', 'There is no such caution.');
      return;
    case 'lab':
      refuseUnknownFigures(context, job, content);
      return;
    case 'readings-moved':
      refuseWrongMoves(context, jobId, unitType, content);
      return;
    case 'reading-gauge':
      refuseWrongGauge(context, jobId, content);
      return;
    case 'readings-held':
      refuseOthersReadings(context, jobId, content);
      return;
    case 'figure':
      refuseWrongFigure(context, content);
      return;
    case 'identity-settled':
      refuseUncounted(context, jobId, content);
      return;
    case 'step':
      refuseHalfStep(content);
      return;
    case 'pieces-graded':
      refuseTooManyPieces(positionOf(unitType, content.positionId), content);
      return;
    case 'faces-graded':
      refuseFaceless(positionOf(unitType, content.positionId));
      return;
    case 'round-torqued':
      refuseWholeRound(context, jobId, content);
      return;
    case 'refitted':
      refuseStillWorkedOn(context, jobId, content);
      return;
    case 'goods-in':
      refuseArrival(context, jobId, content);
      return;
    case 'goods-compared':
      refuseComparison(context, jobId, content);
      return;
    case 'goods-back':
      refuseReturn(context, jobId, content);
      return;
    case 'goods-taken':
      refuseTaking(context, jobId, content);
      return;
    case 'order-moved':
      refuseNewDay(context, jobId, content);
      return;
    case 'part-scrapped':
      refuseEarlyScrap(context, jobId, content);
      return;
    case 'answered':
    case 'question-settled':
      refuseUnasked(context, jobId, content);
      return;
    default:
      // Of every other kind the registry has said all that there is to look at.
      return;
  }
}

/** Some kinds ask for more than taking captures: whoever takes readings doesn't also say where others' belong. */
function refuseWithoutRight(actor: Actor, { what }: RecordContent): void {
  const { right, noun } = RECORD_KINDS[what];
  if (!mayDo(actor.role, right))
    throw new Refusal('no-right', `${AS_ROLE[actor.role]} may not keep this (${noun}).`, { right });
}

function refuseWrongMoves(
  context: Context,
  jobId: string,
  unitType: UnitType,
  { moves }: Extract<RecordContent, { what: 'readings-moved' }>,
): void {
  const readings = new Map(listReadings(context.db, jobId).map((reading) => [reading.id, reading]));
  for (const { readingId, place } of moves) {
    const reading = readings.get(readingId);
    if (!reading) throw missing('content.moves', 'This reading is not of this job.');
    const check = checkOf(unitType, reading.checkId, reading.positionId);
    if (!placesOf(check).includes(place))
      throw missing('content.moves', `${check.title} has no place “${place}”.`);
  }
}

function refuseWrongGauge(
  context: Context,
  jobId: string,
  { readingId, gaugeId }: Extract<RecordContent, { what: 'reading-gauge' }>,
): void {
  const reading = listReadings(context.db, jobId).find(({ id }) => id === readingId);
  if (!reading) throw missing('content.readingId', 'This reading is not of this job.');
  const gauge = listGauges(context.db).find(({ id }) => id === gaugeId);
  if (!gauge) throw missing('content.gaugeId', 'This gauge is not on the list.');
  if (!sameDimension(gauge.unit, reading.unit))
    throw missing('content.gaugeId', `${gauge.name} does not read ${UNIT_SYMBOL[reading.unit]}.`);
}

function refuseOthersReadings(
  context: Context,
  jobId: string,
  { readingIds }: Extract<RecordContent, { what: 'readings-held' }>,
): void {
  const known = new Set(listReadings(context.db, jobId).map(({ id }) => id));
  if (readingIds.some((id) => !known.has(id)))
    throw missing('content.readingIds', 'This reading is not of this job.');
}

function refuseWrongFigure(
  context: Context,
  { raw, unit, gaugeId }: Extract<RecordContent, { what: 'figure' }>,
): void {
  const parsed = parseReading(raw);
  if (!parsed.ok) throw missing('content.raw', parsed.message);
  const gauge = listGauges(context.db).find(({ id }) => id === gaugeId);
  if (!gauge) throw missing('content.gaugeId', 'This gauge is not on the list.');
  if (!sameDimension(gauge.unit, unit))
    throw missing('content.gaugeId', `${gauge.name} does not read ${UNIT_SYMBOL[unit]}.`);
}

function refuseUncounted(
  context: Context,
  jobId: string,
  { pairId }: Extract<RecordContent, { what: 'identity-settled' }>,
): void {
  if (!listIdentities(context.db, jobId).some((entry) => entry.pairId === pairId))
    throw missing('content.pairId', 'Nothing was counted on this pair yet, so there is nothing to settle.');
}

function photographOf(context: Context, jobId: string, photographId: string): void {
  if (findPhotograph(context.db, photographId)?.jobId !== jobId)
    throw missing('content.photographId', 'This photograph is not of this job.');
}

/** The sample that an answer is of; it belongs to the same job. */
function sentSample(context: Context, jobId: string, id: string): void {
  const sent = listRecords(context.db, jobId).some(
    (each) => each.id === id && each.content.what === 'lab-sent',
  );
  if (!sent) throw missing('content.answersId', 'No such sample was sent from this job.');
}

function refuseUnknownPiece(
  context: Context,
  jobId: string,
  { positionId, note, debrisId }: Extract<RecordContent, { what: 'match' }>,
): void {
  if (!positionId && note === '') throw missing('content.note', 'Say why its source can’t be found.');
  const pieces = listRecords(context.db, jobId).filter(({ content }) => content.what === 'debris');
  if (!pieces.some(({ id }) => id === debrisId))
    throw missing('content.debrisId', 'This piece is not on the list of this job.');
}

function refuseUnknownFigures(
  context: Context,
  { id: jobId, catalogs }: Job,
  { answersId, values }: Extract<RecordContent, { what: 'lab' }>,
): void {
  if (answersId !== undefined) sentSample(context, jobId, answersId);
  const { elements } = catalogsInForce(context.db, catalogs)['oil-thresholds'];
  for (const { element } of values)
    if (!elements.some(({ id }) => id === element))
      throw missing('content.values', `“${element}” is no element that is judged here.`);
}

function refuseHalfStep(content: Extract<RecordContent, { what: 'step' }>): void {
  if (content.stepId === undefined && !content.title)
    throw missing('content.title', 'Say what was done in the step that you add.');
  if (content.skipped && !content.reason) throw missing('content.reason', 'Say why the step is skipped.');
}

function refuseTooManyPieces(
  position: Position,
  { pieces }: Extract<RecordContent, { what: 'pieces-graded' }>,
): void {
  const expected = expectedPieces(position);
  const graded = pieces.reduce((sum, { count }) => sum + count, 0);
  if (graded > expected)
    throw missing('content.pieces', `${position.name}: ${graded} graded, and there are ${expected}.`);
}

function refuseFaceless({ name, family }: Position): void {
  if (family !== 'bush-washer-pin')
    throw missing('content.positionId', `${name} has no two faces to be graded apart.`);
}

function refuseUnasked(context: Context, jobId: string, { askedId }: { readonly askedId: string }): void {
  if (!listRecords(context.db, jobId).some(({ id, content }) => id === askedId && content.what === 'asked'))
    throw missing('content.askedId', 'No such question was asked in this job.');
}

/** Whoever asked says when he has his answer; a lead may say it for him. */
function refuseOthersQuestion(actor: Actor, context: Context, jobId: string, content: RecordContent): void {
  if (content.what !== 'question-settled' || actor.role === 'lead') return;
  const own = listRecords(context.db, jobId).find(({ id }) => id === content.askedId);
  if (own && own.authorId !== actor.id)
    throw new Refusal('no-right', `${own.author} asked this; it is settled by whoever asked, or by a lead.`);
}

const missing = (path: string, message: string) =>
  new Refusal('bad-input', message, { faults: [{ path, message }] });
