import * as v from 'valibot';
import { type GaugeStudy, gaugeStudy } from '@/core/gauge-study/gaugeStudy';
import { type StudyStep, studyOrder } from '@/core/gauge-study/studyOrder';
import { parseReading } from '@/core/quantity/parseReading';
import { baseUnit, convert, sameDimension, toBase } from '@/core/quantity/units';
import { logChange } from '@/db/changeLog';
import {
  findStudy,
  insertStudy,
  insertStudyReading,
  listStudies,
  listStudyReadings,
  type StoredStudy,
  type StudyReading,
} from '@/db/gaugeStudies';
import { listGauges, setRepeatability } from '@/db/gauges';
import { type Db, inTransaction } from '@/db/open';
import { listPeople } from '@/db/people';
import { IdSchema } from '@/model/ids';
import { GaugeStudyPlanSchema, GaugeStudyReadingSchema } from '@/model/measuring';
import type { Actor } from '@/model/people';
import { mayDo } from '@/model/rights';
import type { Gauge } from '@/model/snapshot';
import { instant } from '../context';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

export interface StudyView {
  readonly study: StoredStudy;
  readonly gauge: Gauge;
  readonly appraisers: readonly { readonly id: string; readonly name: string; readonly read: number }[];
  /** Readings that each appraiser takes. */
  readonly each: number;
  /** What the asking person reads next; nothing that was read before is told until all is read. */
  readonly next?: StudyStep & { readonly number: number };
  /** Once everybody is through. */
  readonly result?: GaugeStudy;
  readonly readings?: readonly StudyReading[];
}

export const readStudies = defineUseCase('study.read', v.undefined(), (actor, { db }) => ({
  studies: listStudies(db).map((study) => viewOf(db, study, actor)),
  gauges: listGauges(db),
  people: listPeople(db)
    .filter(({ active, role }) => active && mayDo(role, 'study.take'))
    .map(({ id, name }) => ({ id, name })),
}));

const StudyIdSchema = v.object({ studyId: IdSchema });

export const readStudy = defineUseCase('study.read', StudyIdSchema, (actor, { db }, { studyId }) =>
  viewOf(db, openStudy(db, studyId), actor),
);

export const planStudy = defineUseCase('gauge.keep', GaugeStudyPlanSchema, (actor, context, plan) =>
  inTransaction(context.db, () => {
    const gauge = listGauges(context.db).find(({ id }) => id === plan.gaugeId);
    if (!gauge) throw new Refusal('bad-input', 'This gauge is not on the list.');
    refuseUnfit(context.db, plan.appraisers);
    const id = context.newId();
    const at = instant(context);
    insertStudy(context.db, {
      ...plan,
      id,
      unit: gauge.unit,
      tolerance: plan.tolerance ?? null,
      seed: seedFrom(id),
      plannedById: actor.id,
      plannedAt: at,
    });
    logChange(context.db, { at, by: actor.id, jobId: null, topic: 'gauge-study', subject: id, after: plan });
    return { studyId: id };
  }),
);

function refuseUnfit(db: Db, appraisers: readonly string[]): void {
  if (new Set(appraisers).size !== appraisers.length)
    throw new Refusal('bad-input', 'Somebody is named twice.', {
      faults: [{ path: 'appraisers', message: 'twice' }],
    });
  const people = listPeople(db);
  const unfit = appraisers.find((id) => {
    const person = people.find((each) => each.id === id);
    return !person?.active || !mayDo(person.role, 'study.take');
  });
  if (unfit !== undefined)
    throw new Refusal('bad-input', 'Somebody among them may not take readings.', {
      faults: [{ path: 'appraisers', message: 'may not take readings' }],
    });
}

const seedFrom = (id: string): number =>
  [...id].reduce((sum, letter) => (Math.imul(sum, 31) + letter.charCodeAt(0)) | 0, 7);

/** One blind reading. Sent twice it is harmless; another figure for what was read already is refused. */
export const takeStudyReading = defineUseCase(
  'study.take',
  GaugeStudyReadingSchema,
  (actor, context, { studyId, trial, part, raw, unit }) => {
    const study = openStudy(context.db, studyId);
    if (!study.appraisers.includes(actor.id))
      throw new Refusal('no-right', `${actor.name} does not take part in this study.`);
    const value = baseValueOf(study, raw, unit);
    const readings = listStudyReadings(context.db, studyId);
    const before = readings.find(
      (each) => each.appraiserId === actor.id && each.trial === trial && each.part === part,
    );
    if (before) {
      if (before.raw === raw.trim() && before.unit === unit) return { stored: 'already' as const };
      throw new Refusal('conflict', 'This part was read already in this round; the first figure stands.');
    }
    const due = nextOf(study, actor, readings);
    if (due?.trial !== trial || due.part !== part)
      throw new Refusal('bad-input', 'This part is not the next one in the blind order.');
    insertStudyReading(context.db, {
      ...{ studyId, trial, part, raw, unit, value },
      appraiserId: actor.id,
      at: instant(context),
    });
    return { stored: 'now' as const };
  },
);

function baseValueOf(study: StoredStudy, raw: string, unit: StudyReading['unit']): number {
  const parsed = parseReading(raw);
  if (!parsed.ok)
    throw new Refusal('bad-input', parsed.message, { faults: [{ path: 'raw', message: parsed.message }] });
  if (!sameDimension(unit, study.unit))
    throw new Refusal('bad-input', 'This gauge does not read that unit.', {
      faults: [{ path: 'unit', message: 'wrong unit' }],
    });
  return toBase(parsed.value, unit);
}

/** Takes the scatter that a finished study has shown as the gauge's own. */
export const keepStudyScatter = defineUseCase('gauge.keep', StudyIdSchema, (actor, context, { studyId }) =>
  inTransaction(context.db, () => {
    const { study, gauge, result } = viewOf(context.db, openStudy(context.db, studyId), actor);
    if (!result) throw new Refusal('bad-input', 'This study is not finished.');
    setRepeatability(context.db, gauge.id, result.repeatability);
    logChange(context.db, {
      at: instant(context),
      by: actor.id,
      jobId: null,
      topic: 'gauge',
      subject: gauge.id,
      before: { repeatability: gauge.repeatability },
      after: { repeatability: result.repeatability, study: study.id },
    });
    return {};
  }),
);

function openStudy(db: Db, id: string): StoredStudy {
  const study = findStudy(db, id);
  if (!study) throw new Refusal('not-found', 'There is no such gauge study.');
  return study;
}

function viewOf(db: Db, study: StoredStudy, actor: Actor): StudyView {
  const gauge = listGauges(db).find(({ id }) => id === study.gaugeId)!;
  const readings = listStudyReadings(db, study.id);
  const people = listPeople(db);
  const each = study.parts * study.trials;
  const appraisers = study.appraisers.map((id) => ({
    id,
    name: people.find((person) => person.id === id)?.name ?? id,
    read: readings.filter(({ appraiserId }) => appraiserId === id).length,
  }));
  const next = nextOf(study, actor, readings);
  const head = { study, gauge, appraisers, each, ...(next ? { next } : {}) };
  if (readings.length < each * study.appraisers.length) return head;
  return { ...head, result: resultOf(study, readings), readings };
}

function nextOf(study: StoredStudy, actor: Actor, readings: readonly StudyReading[]): StudyView['next'] {
  const index = study.appraisers.indexOf(actor.id);
  if (index < 0) return undefined;
  const order = studyOrder(study, index);
  const read = new Set(
    readings
      .filter(({ appraiserId }) => appraiserId === actor.id)
      .map(({ trial, part }) => `${trial} ${part}`),
  );
  const at = order.findIndex(({ trial, part }) => !read.has(`${trial} ${part}`));
  return at < 0 ? undefined : { ...order[at]!, number: at + 1 };
}

function resultOf(study: StoredStudy, readings: readonly StudyReading[]): GaugeStudy {
  const inUnit = (value: number) => convert(value, baseUnit(study.unit), study.unit);
  const table = study.appraisers.map((id) =>
    Array.from({ length: study.trials }, (_, trial) =>
      Array.from({ length: study.parts }, (_, part) => {
        const reading = readings.find(
          (each) => each.appraiserId === id && each.trial === trial && each.part === part,
        );
        return inUnit(reading?.value ?? 0);
      }),
    ),
  );
  return gaugeStudy({
    unit: study.unit,
    readings: table,
    ...(study.tolerance === null ? {} : { tolerance: study.tolerance }),
  });
}
