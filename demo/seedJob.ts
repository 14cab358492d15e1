import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { partProposal } from '@/core/decisions/partProposal';
import { taxOn } from '@/core/planning/money';
import { stripPlan } from '@/core/strip/stripPlan';
import { workingDayAfter } from '@/core/time/workingDays';
import { partStates } from '@/core/wear/partStates';
import { readMoney, readShopCalendar } from '@/db/shop';
import type { Actor } from '@/model/people';
import type { RecordContent } from '@/model/recordKinds';
import { bookIn } from '@/server/book-in/bookIn';
import { countIdentity } from '@/server/book-in/countIdentity';
import { noteCause } from '@/server/causes/noteCause';
import type { Context } from '@/server/context';
import { decidePart, decideUnit } from '@/server/decide/decide';
import { setGrade } from '@/server/grade/setGrade';
import { describePart } from '@/server/job/describePart';
import { editJob } from '@/server/job/editJob';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { storePhotograph } from '@/server/photos/storePhotograph';
import { issueReport } from '@/server/report/issueReport';
import { keepRecord } from '@/server/strip/keepRecord';
import { noteFinding } from '@/server/strip/noteFinding';
import { takeReading } from '@/server/strip/takeReading';
import { type DemoJob, demoShop } from './scenario/scenario';
import { seedParts } from './seedParts';
import { seedPictures } from './seedPictures';
import { seedRecordings } from './seedRecordings';

const PHOTOGRAPHS = path.join(import.meta.dirname, 'photographs');

export interface Seeding {
  readonly context: Context;
  readonly inspector: Actor;
  readonly lead: Actor;
  /** The day that is this many days from the day of seeding. */
  readonly dayFromNow: (days: number) => string;
  /** Moves the clock on by a little, as between two captures. */
  readonly tick: () => void;
}

/** One unit through the same use cases that the interface calls; nothing is written past them. */
export async function seedJob(seeding: Seeding, job: DemoJob): Promise<void> {
  const { context, inspector } = seeding;
  const jobId = seedBooking(seeding, job);
  seedWaiting(seeding, job, jobId);
  seedCaptures(seeding, job, jobId);
  for (const [pairId, counts] of job.identities)
    countIdentity(inspector, context, { ...captureHead(seeding, jobId), pairId, version: 0, counts });
  for (const [positionId, file] of job.photographs) await seedPhotograph(seeding, jobId, positionId, file);
  const { photographs } = gatherSnapshot(context.db, jobId);
  const keep = (content: RecordContent) => keepIn(seeding, jobId, content);
  const { unitType } = gatherSnapshot(context.db, jobId);
  await seedRecordings(
    { context, actor: inspector, jobId, unitType, deviceTime: context.now().toISOString() },
    job.recordings,
    keep,
  );
  await seedPictures(job, photographs, PHOTOGRAPHS, keep, context.newId);
  seedGrades(seeding, job, jobId);
  seedDecisions(seeding, job, jobId);
  await seedParts(seeding, job, jobId, (content) => keepIn(seeding, jobId, content, seeding.lead));
  for (const content of job.rebuilt) keepIn(seeding, jobId, content, seeding.lead);
}

function seedBooking({ context, inspector, lead, dayFromNow }: Seeding, job: DemoJob): string {
  const { peg, customer, machine, unitTitle, serial, tag, complaint, history } = job;
  const { jobId } = bookIn(inspector, context, {
    ...{ peg, customer, machine, unitTitle, serial, tag, complaint, history },
    customerContact: job.contact,
    ...(job.distanceKm === undefined ? {} : { distanceKm: job.distanceKm }),
    ...(job.type === undefined ? {} : { unitTypeId: job.type }),
    unitFamily: job.family,
    symptoms: job.symptoms,
    received: job.received,
    oilClaimed: job.oil,
    dueOn: dayFromNow(job.dueInDays),
  });
  for (const [name, family] of job.parts) {
    describePart(lead, context, {
      jobId,
      version: gatherSnapshot(context.db, jobId).job.version,
      name,
      family,
    });
  }
  return jobId;
}

function seedWaiting(
  { context, lead }: Seeding,
  { hold, waitsFor, tooClosePolicy }: DemoJob,
  jobId: string,
): void {
  const { customer, customerContact, machine, serial, tag, complaint, oilClaimed, history, dueOn, version } =
    gatherSnapshot(context.db, jobId).job;
  const edit = {
    version,
    customer,
    customerContact,
    machine,
    serial,
    tag,
    complaint,
    oilClaimed,
    history,
    dueOn,
    waitsFor,
    tooClosePolicy,
  };
  editJob(lead, context, { jobId, edit });
  if (hold)
    keepRecord(lead, context, {
      ...{ id: context.newId(), jobId, authorId: lead.id, deviceTime: context.now().toISOString() },
      content: { what: 'held', ...hold },
    });
}

function captureHead({ context, inspector, tick }: Seeding, jobId: string) {
  tick();
  return { id: context.newId(), jobId, authorId: inspector.id, deviceTime: context.now().toISOString() };
}

function seedCaptures(seeding: Seeding, job: DemoJob, jobId: string): void {
  const { inspector, context } = seeding;
  for (const [positionId, mode, place, severity, extent] of job.findings) {
    noteFinding(inspector, context, {
      ...captureHead(seeding, jobId),
      positionId,
      mode,
      place,
      severity,
      ...extent,
    });
  }
  seedRecords(seeding, job, jobId);
  for (const [positionId, checkId, place, figures, gaugeId, temperatureC] of job.readings) {
    const unit = demoShop.gauges.find(({ id }) => id === gaugeId)?.unit ?? 'mm';
    for (const raw of figures)
      takeReading(inspector, context, {
        ...captureHead(seeding, jobId),
        positionId,
        checkId,
        place,
        raw,
        unit,
        gaugeId,
        ...(temperatureC === undefined ? {} : { temperatureC }),
      });
  }
}

function keepIn(seeding: Seeding, jobId: string, content: RecordContent, by = seeding.inspector): string {
  const head = { ...captureHead(seeding, jobId), authorId: by.id };
  keepRecord(by, seeding.context, { ...head, content });
  return head.id;
}

function seedRecords(seeding: Seeding, job: DemoJob, jobId: string): void {
  const keep = (content: RecordContent): string => keepIn(seeding, jobId, content);
  for (const content of job.records) keep(content);
  for (const [piece, where, colour, positionId] of job.debris) {
    const debrisId = keep({ what: 'debris', piece, where, colour });
    if (positionId) keep({ what: 'match', debrisId, positionId, note: '' });
  }
  if (!job.stripped) return;
  const { unitType, records } = gatherSnapshot(seeding.context.db, jobId);
  for (const { step, state } of stripPlan(unitType, records).steps)
    if (state === 'open') keep({ what: 'step', stepId: step.id });
}

async function seedPhotograph(
  seeding: Seeding,
  jobId: string,
  positionId: string | null,
  file: string,
): Promise<void> {
  const place = path.join(PHOTOGRAPHS, file);
  if (!fs.existsSync(place))
    throw new Error(`The demo’s photograph ${file} is missing; make it with npm run render-photographs.`);
  const bytes = fs.readFileSync(place);
  await storePhotograph(seeding.inspector, seeding.context, {
    capture: {
      ...captureHead(seeding, jobId),
      ...(positionId === null ? {} : { positionId }),
      fileName: file,
      bytes: bytes.length,
      digest: createHash('sha256').update(bytes).digest('hex'),
    },
    body: fs.createReadStream(place),
  });
}

function seedGrades({ context, inspector, tick }: Seeding, job: DemoJob, jobId: string): void {
  for (const [positionId, own, reason] of job.grades) {
    tick();
    const proposed = partStates(gatherSnapshot(context.db, jobId)).find(
      ({ position }) => position.id === positionId,
    )?.proposal.grade;
    const grade = own ?? proposed;
    if (grade === undefined || grade === null)
      throw new Error(
        `Peg ${job.peg}: nothing is proposed for ${positionId}; the scenario must name a grade.`,
      );
    setGrade(inspector, context, { jobId, entry: { positionId, version: 0, grade, reason: reason ?? '' } });
  }
}

function seedDecisions(seeding: Seeding, job: DemoJob, jobId: string): void {
  const { context, inspector, lead } = seeding;
  for (const [positionId] of job.decisions) {
    const snapshot = gatherSnapshot(context.db, jobId);
    const parts = partStates(snapshot);
    const part = parts.find(({ position }) => position.id === positionId);
    if (!part) throw new Error(`Peg ${job.peg} has no part ${positionId}.`);
    const { decision } = partProposal(part, parts, snapshot);
    decidePart(inspector, context, { jobId, entry: { positionId, version: 0, decision, reason: '' } });
  }
  if (job.cause) {
    const { words, plain, sureness, firstFailure } = job.cause;
    noteCause(inspector, context, {
      ...captureHead(seeding, jobId),
      ...{ version: 0, words, plainWords: plain, sureness, firstFailure },
    });
  }
  if (job.unitDecision) {
    const head = { ...captureHead(seeding, jobId), authorId: lead.id };
    decideUnit(lead, context, { ...head, version: 0, ...job.unitDecision });
    if (job.offer) seedOffer(seeding, jobId, job.offer);
    const reason = 'the customer waits for the findings; what is open is told him';
    issueReport(lead, context, { jobId, reason });
    for (const kind of job.papers) issueReport(lead, context, { jobId, kind });
  }
}

/** What the owner is offered; with the tax of the shop. */
function seedOffer(
  seeding: Seeding,
  jobId: string,
  { slips, lines, ifNothing }: NonNullable<DemoJob['offer']>,
) {
  const { context, lead, dayFromNow } = seeding;
  const { sign, digits, taxPercent } = readMoney(context.db);
  const calendar = readShopCalendar(context.db);
  const withTax = (price: number) => ({ price, total: price + taxOn(price, { taxPercent }) });
  keepRecord(lead, context, {
    ...{ ...captureHead(seeding, jobId), authorId: lead.id },
    content: {
      ...{ what: 'quote-made', sign, digits, taxPercent, ifNothing },
      daysHoldUntil: workingDayAfter(dayFromNow(0), 5, calendar),
      slips: slips.map(([id, name, price, days, warrantyMonths]) => ({
        ...{ id, name, warrantyMonths, note: '', readyOn: workingDayAfter(dayFromNow(0), days, calendar) },
        ...withTax(price),
      })),
      lines: lines.map(([name, note, price, within], at) => ({
        ...{ id: `line-${at + 1}`, name, note, within },
        ...withTax(price),
      })),
    },
  });
}
