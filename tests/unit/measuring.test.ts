import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openOfJob } from '@/core/open/openOfJob';
import { tellOpen } from '@/core/open/tellOpen';
import { partStates } from '@/core/wear/partStates';
import { readingIds } from '@/core/wear/tooClose';
import { readChanges } from '@/db/changeLog';
import type { Check, Limit } from '@/model/checks';
import { countIdentity } from '@/server/book-in/countIdentity';
import { changeBenchGaugeUnit, readBenchGauge } from '@/server/devices/benchGauge';
import { acceptReading } from '@/server/grade/acceptReading';
import { editJob } from '@/server/job/editJob';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { previewTable, printTable } from '@/server/limits/sheetAsTable';
import {
  adoptSheet,
  previewAdoption,
  readSheet,
  reviseSheet,
  setTooClosePolicy,
} from '@/server/limits/sheets';
import { readGauges } from '@/server/shop/gauges';
import { chooseReadsIn } from '@/server/sign-in/readsIn';
import { takeReading } from '@/server/strip/takeReading';
import {
  keepStudyScatter,
  planStudy,
  readStudies,
  readStudy,
  takeStudyReading,
} from '@/server/studies/studies';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  refusalOf as refused,
  shippedRevision,
  type TestShop,
} from './fixtures/shop';

const TYPE = 'torvane-hx41';
let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop, { unitTypeId: TYPE });
});
afterEach(() => shop.close());

const snapshot = () => gatherSnapshot(shop.context.db, jobId);
const read = (checkId: string, positionId: string, raw: string, over: object = {}) =>
  takeReading(shop.people.inspector, shop.context, {
    ...captureHead(jobId, shop.people.inspector),
    positionId,
    checkId,
    place: '',
    raw,
    unit: 'mm',
    gaugeId: 'dial',
    ...over,
  });
const partOf = (id: string) => partStates(snapshot()).find(({ position }) => position.id === id)!;
const judged = (part: string, check: string) =>
  partOf(part).judgements.find((each) => each.check.id === check)!;

describe('a limit sheet', () => {
  const sheet = () => readSheet(shop.people.inspector, shop.context, { unitTypeId: TYPE });
  const withLimit = (id: string, limit: Limit): Check[] =>
    sheet().unitType.checks.map((check) =>
      check.id === id ? { ...check, limits: [...check.limits, limit] } : check,
    );
  const override: Limit = {
    kind: 'service',
    max: 0.06,
    unit: 'mm',
    source: { kind: 'shop', words: 'lead' },
    reason: 'Two came back.',
  };
  const revise = (checks: Check[], basedOnRevision = shippedRevision()) =>
    reviseSheet(shop.people.lead, shop.context, {
      unitTypeId: TYPE,
      basedOnRevision,
      note: 'After the second comeback',
      checks,
    });

  it('is revised, never changed under a job; the job goes over on a person’s word', () => {
    read('back-face-runout', 'ring-gear', '0.07');
    read('back-face-runout', 'ring-gear', '0.07');
    read('back-face-runout', 'ring-gear', '0.07');
    const before = judged('ring-gear', 'back-face-runout').judgement;
    expect(before.limit?.max).toBe(0.08);
    expect(revise(withLimit('back-face-runout', override))).toMatchObject({
      revision: shippedRevision() + 1,
    });
    expect(judged('ring-gear', 'back-face-runout').judgement).toEqual(before);
    expect(snapshot()).toMatchObject({
      newestRevision: shippedRevision() + 1,
      unitType: { revision: shippedRevision() },
    });

    const preview = previewAdoption(shop.people.apprentice, shop.context, { jobId });
    expect(preview.changes).toEqual(['Back-face run-out, service shop: none → at most 0.06 mm']);
    const input = { jobId, version: snapshot().job.version, revision: shippedRevision() + 1 };
    expect(refused(() => adoptSheet(shop.people.inspector, shop.context, input)).status).toBe(403);
    expect(refused(() => adoptSheet(shop.people.lead, shop.context, { ...input, version: 0 })).code).toBe(
      'stale',
    );
    adoptSheet(shop.people.lead, shop.context, input);
    const after = judged('ring-gear', 'back-face-runout').judgement;
    expect(after.limit).toMatchObject({ max: 0.06, enteredBy: 'The lead', enteredOn: '2026-11-24' });
    expect(after.beside).toMatchObject([{ max: 0.08, source: { kind: 'maker' } }]);
    expect(readChanges(shop.context.db, jobId).at(-1)).toMatchObject({ topic: 'limit-sheet' });
  });

  it('refuses what is stale, faulty, unchanged, or not for this role, and stores nothing of it', () => {
    const checks = withLimit('back-face-runout', override);
    expect(refused(() => revise(checks, 7)).code).toBe('stale');
    expect(refused(() => revise(sheet().unitType.checks)).message).toContain('Nothing is different');
    const { reason: _, ...bare } = override;
    expect(refused(() => revise(withLimit('back-face-runout', bare))).message).toContain('needs a reason');
    expect(
      refused(() => revise(withLimit('back-face-runout', { ...override, max: Number.POSITIVE_INFINITY })))
        .code,
    ).toBe('bad-input');
    const input = { unitTypeId: TYPE, basedOnRevision: shippedRevision(), note: 'x', checks };
    expect(refused(() => reviseSheet(shop.people.inspector, shop.context, input)).status).toBe(403);
    expect(sheet().revisions).toHaveLength(1);
  });

  it('does not let a job lose the check that it has readings of', () => {
    read('yoke-seal-land', 'yoke', '0.05');
    revise(sheet().unitType.checks.filter(({ id }) => id !== 'yoke-seal-land'));
    const input = { jobId, version: snapshot().job.version, revision: shippedRevision() + 1 };
    expect(refused(() => adoptSheet(shop.people.lead, shop.context, input)).message).toContain(
      'keeps its revision',
    );
    expect(snapshot().unitType.revision).toBe(shippedRevision());
  });

  it('can be pasted from a spreadsheet: each bad line is named and nothing is stored yet', () => {
    const { checks } = sheet().unitType;
    const preview = (text: string) =>
      previewTable(shop.people.lead, shop.context, { unitTypeId: TYPE, checks, text }).outcomes;
    const lines =
      'part;check;kind;min;source words\nYoke;Groove at the seal land;new;0,02;book\n\nYoke;Glow;new;1;x';
    expect(preview(lines)).toMatchObject([
      { line: 2, ok: true, what: 'new', limit: { min: 0.02 } },
      { line: 4, ok: false, message: 'Yoke has no check “Glow”' },
    ]);
    expect(refused(() => preview('part,check,colour\na,b,c')).message).toContain('“colour” is not known');
    expect(refused(() => preview('part,check')).message).toContain('no row below');
    expect(refused(() => preview('Yoke;Glow\n'.repeat(5001))).message).toMatch(/lines; at most 5000 at once/);
    expect(refused(() => preview('  ')).message).toContain('paste some rows first');
    expect(sheet().revisions).toHaveLength(1);
  });

  it('is printed as a table that reads back as it stands', () => {
    const { text, fileName } = printTable(shop.people.parts, shop.context, { unitTypeId: TYPE });
    expect(fileName).toBe(`torvane-hx41-revision-${shippedRevision()}.csv`);
    const { outcomes } = previewTable(shop.people.lead, shop.context, {
      unitTypeId: TYPE,
      checks: sheet().unitType.checks,
      text,
    });
    expect(outcomes.length).toBeGreaterThan(8);
    expect(outcomes.every((outcome) => outcome.ok && outcome.what === 'same')).toBe(true);
  });
});

describe('a reading too close to call', () => {
  const accept = (reason = 'The book rounds up here.') =>
    acceptReading(shop.people.inspector, shop.context, {
      ...captureHead(jobId, shop.people.inspector),
      ...{ positionId: 'ring-gear', checkId: 'back-face-runout', reason },
      readings: readingIds(judged('ring-gear', 'back-face-runout').readings),
    });
  const open = () =>
    partOf('ring-gear')
      .openQuestions.map(tellOpen)
      .filter((question) => question.startsWith('Back-face run-out:'));
  beforeEach(() => {
    for (const raw of ['0.08', '0.07', '0.08']) read('back-face-runout', 'ring-gear', raw);
  });

  it('is held until it is settled, unless the shop says otherwise; its verdict never changes', () => {
    expect(open()).toEqual(['Back-face run-out: too close to call']);
    expect(refused(accept).message).toContain('does not accept');
    setTooClosePolicy(shop.people.lead, shop.context, { policy: 'beyond' });
    expect(judged('ring-gear', 'back-face-runout').judgement.word).toBe('too-close');
    expect(open()).toEqual([]);
    expect(partOf('ring-gear').proposal.grade).toBeGreaterThanOrEqual(4);
    expect(
      refused(() => setTooClosePolicy(shop.people.inspector, shop.context, { policy: 'hold' })).status,
    ).toBe(403);
  });

  it('is accepted as printed with a name, for the readings it was made on and no others', () => {
    const { id: _, bookedAt: __, ...job } = snapshot().job;
    const edit = { ...job, tooClosePolicy: 'accept' as const };
    editJob(shop.people.lead, shop.context, { jobId, edit });
    expect(open()).toEqual(['Back-face run-out: too close to call, and nobody has accepted it']);
    expect(refused(() => accept(' ')).code).toBe('bad-input');
    accept();
    expect(judged('ring-gear', 'back-face-runout').accepted).toMatchObject({ by: 'The inspector' });
    expect(open()).toEqual([]);
    read('back-face-runout', 'ring-gear', '0.08');
    expect(judged('ring-gear', 'back-face-runout').accepted).toBeUndefined();
    expect(open()).toHaveLength(1);
  });

  it('can be accepted only while it is too close', () => {
    setTooClosePolicy(shop.people.lead, shop.context, { policy: 'accept' });
    for (let again = 0; again < 3; again += 1) read('back-face-runout', 'ring-gear', '0.02');
    for (let again = 0; again < 12; again += 1) read('back-face-runout', 'ring-gear', '0.03');
    expect(judged('ring-gear', 'back-face-runout').judgement.word).toBe('within');
    expect(refused(accept).message).toContain('nothing to accept');
  });
});

describe('the identity of a pair', () => {
  const counts = { pinionTeeth: 11, ringTeeth: 41, marked: '11-41' };
  const count = (over: object = {}) =>
    countIdentity(shop.people.apprentice, shop.context, {
      ...captureHead(jobId, shop.people.apprentice),
      ...{ pairId: 'pin-ring', version: 0, counts },
      ...over,
    });
  it('is kept with a name; of two who count at once both are kept, and it is asked who is right', () => {
    count();
    expect(snapshot().identities).toMatchObject([{ ...counts, version: 1, by: 'The apprentice' }]);
    count({ counts: { ...counts, ringTeeth: 40 } });
    const twice = () =>
      openOfJob(snapshot(), partStates(snapshot())).filter(({ code }) => code === 'noted-twice');
    expect(snapshot().identities).toMatchObject([{ ringTeeth: 41, version: 1 }]);
    expect(twice().map(tellOpen)).toEqual([
      'Another count of teeth by The apprentice, without knowing of the first',
    ]);
    count({ version: 1, counts: { ...counts, ringTeeth: 43 } });
    expect(snapshot().identities).toMatchObject([{ ringTeeth: 43, version: 2 }]);
    expect(twice()).toEqual([]);
  });
  it('refuses teeth 0, halves, and a pair that the unit does not have', () => {
    for (const ringTeeth of [0, 40.5, Number.NaN])
      expect(refused(() => count({ counts: { ...counts, ringTeeth } })).code).toBe('bad-input');
    expect(refused(() => count({ pairId: 'any-other' })).message).toContain('no pair');
    expect(snapshot().identities).toEqual([]);
  });
});

describe('what a person reads in', () => {
  it('is his own and changes nothing stored', () => {
    read('yoke-seal-land', 'yoke', '2', { unit: 'thou' });
    const before = snapshot().readings;
    chooseReadsIn(shop.people.inspector, shop.context, { readsIn: 'inch' });
    expect(snapshot().readings).toEqual(before);
    expect(before[0]).toMatchObject({ raw: '2', unit: 'thou' });
    expect(before[0]?.value).toBeCloseTo(0.0508, 12);
    expect(
      refused(() => chooseReadsIn(shop.people.parts, shop.context, { readsIn: 'ells' as never })).code,
    ).toBe('bad-input');
  });
});

describe('a gauge study', () => {
  const plan = (over: object = {}) =>
    planStudy(shop.people.lead, shop.context, {
      ...{ title: 'Float', gaugeId: 'dial', parts: 3, trials: 2, tolerance: 0.1 },
      appraisers: [shop.people.inspector.id, shop.people.lead.id],
      ...over,
    }).studyId;
  const who = () => [shop.people.inspector, shop.people.lead];
  /** parts at 0.10, 0.20, 0.30; the second person reads a hundredth more. */
  const readThrough = (studyId: string) => {
    for (const [index, actor] of who().entries())
      for (;;) {
        const { next } = readStudy(actor, shop.context, { studyId });
        if (!next) break;
        const { trial, part } = next;
        const raw = (0.1 * (part + 1) + 0.01 * index).toFixed(2);
        takeStudyReading(actor, shop.context, { studyId, trial, part, raw, unit: 'mm' });
      }
  };

  it('is read blind and in order; nothing is told before everybody is through', () => {
    const studyId = plan();
    const first = readStudy(shop.people.inspector, shop.context, { studyId });
    expect(first).toMatchObject({ each: 6, next: { number: 1 } });
    const { trial, part } = first.next!;
    const take = (over: object = {}) =>
      takeStudyReading(shop.people.inspector, shop.context, {
        ...{ studyId, trial, part, raw: '0.1', unit: 'mm' as const },
        ...over,
      });
    expect(refused(() => take({ part: (part + 1) % 3 })).message).toContain('not the next one');
    expect(refused(() => take({ raw: 'much' })).code).toBe('bad-input');
    expect(refused(() => take({ unit: 'Nm' })).code).toBe('bad-input');
    expect(
      refused(() =>
        takeStudyReading(shop.people.assembler, shop.context, { studyId, trial, part, raw: '1', unit: 'mm' }),
      ).status,
    ).toBe(403);
    expect(take()).toEqual({ stored: 'now' });
    expect(take()).toEqual({ stored: 'already' });
    expect(refused(() => take({ raw: '0.2' })).code).toBe('conflict');
    const view = readStudy(shop.people.lead, shop.context, { studyId });
    expect(view.result).toBeUndefined();
    expect(JSON.stringify(view)).not.toContain('"raw"');
    expect(view.appraisers.map(({ read: count }) => count)).toEqual([1, 0]);
  });

  it('ends in figures, which can stand on the list of gauges', () => {
    const studyId = plan();
    expect(refused(() => keepStudyScatter(shop.people.lead, shop.context, { studyId })).message).toContain(
      'not finished',
    );
    readThrough(studyId);
    const { result } = readStudy(shop.people.parts, shop.context, { studyId });
    // By hand: no scatter in the repeats; two people a hundredth apart differ by 0.01/√2 as a deviation.
    expect(result?.repeatability).toBeCloseTo(0, 6);
    expect(result?.reproducibility).toBeCloseTo(0.01 / Math.SQRT2, 6);
    expect(result?.percentOfTolerance).toBeCloseTo((600 * 0.00707107) / 0.1, 2);
    keepStudyScatter(shop.people.lead, shop.context, { studyId });
    const gauge = readGauges(shop.people.lead, shop.context, undefined).find(({ id }) => id === 'dial');
    expect(gauge?.repeatability).toBeCloseTo(0, 6);
  });

  it('refuses a plan of one person, one part, one round, or with somebody who takes no readings', () => {
    const { inspector, admin, parts } = shop.people;
    for (const bad of [
      { appraisers: [inspector.id] },
      { appraisers: [inspector.id, inspector.id] },
      { appraisers: [inspector.id, admin.id] },
      { appraisers: [inspector.id, parts.id] },
      { parts: 1 },
      { trials: 1 },
      { tolerance: 0 },
      { gaugeId: 'gone' },
    ])
      expect(refused(() => plan(bad)).code, JSON.stringify(bad)).toBe('bad-input');
    expect(readStudies(shop.people.lead, shop.context, undefined).studies).toEqual([]);
  });
});

describe('the bench gauges', () => {
  it('change their unit by a key, for whoever looks at them', () => {
    const touch = { gauge: 'caliper', index: 0, count: 12, nominal: 25.4 } as const;
    const look = () => readBenchGauge(shop.people.inspector, shop.context, touch).unit;
    const first = look();
    changeBenchGaugeUnit(shop.people.inspector, shop.context, touch);
    expect(look()).not.toBe(first);
    changeBenchGaugeUnit(shop.people.inspector, shop.context, touch);
    expect(look()).toBe(first);
  });
});
