import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { partStates } from '@/core/wear/partStates';
import type { Actor } from '@/model/people';
import type { RecordContent } from '@/model/recordKinds';
import { checkFromFigure } from '@/server/job/checkFromFigure';
import { describeCheck, offerChecks } from '@/server/job/describeCheck';
import { describePart } from '@/server/job/describePart';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { keepRecord } from '@/server/strip/keepRecord';
import { takeReading } from '@/server/strip/takeReading';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  refusalOf as refused,
  type TestShop,
} from './fixtures/shop';

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterEach(() => shop.close());

const snapshot = () => gatherSnapshot(shop.context.db, jobId);
const stateOf = (id: string) => partStates(snapshot()).find(({ position }) => position.id === id)!;
const add = (actor: Actor, positionId: string, definition: string, version = snapshot().job.version) =>
  describeCheck(actor, shop.context, { jobId, positionId, definition, version });
const keep = (content: RecordContent) =>
  keepRecord(shop.people.inspector, shop.context, { ...captureHead(jobId, shop.people.inspector), content });

describe('a part that no check is described of', () => {
  it('is offered the checks of the library for its kind, and those that it has not yet', () => {
    const { definitions, mayAdd } = offerChecks(shop.people.inspector, shop.context, {
      jobId,
      positionId: 'yoke',
    });
    expect(definitions.map(({ id }) => id)).toContain('journal');
    expect(definitions.map(({ id }) => id)).not.toContain('seal-land-groove');
    // The axle’s type is the shop’s: the lead keeps it.
    expect(mayAdd).toBe(false);
    expect(refused(() => add(shop.people.inspector, 'yoke', 'journal')).code).toBe('no-right');
  });

  it('gets one as the next revision of the shop’s type on the lead’s word, without a limit of its own', () => {
    const before = snapshot().unitType.revision;
    const { checkId, revision } = add(shop.people.lead, 'yoke', 'journal');
    expect(revision).toBe(before + 1);
    expect(snapshot().unitType.checks.find(({ id }) => id === checkId)).toMatchObject({
      ...{ title: 'Journal diameter', positions: ['yoke'], limits: [], definition: 'journal' },
    });
    expect(stateOf('yoke').openQuestions.map(({ code }) => code)).toContain('not-measured');
    // The next job is booked in by it, and one that pins an older revision is not dragged along.
    expect(refused(() => add(shop.people.lead, 'yoke', 'end-float', 0)).code).toBe('stale');
  });

  it('of a unit of its own gets one from whoever describes it', () => {
    jobId = bookTestUnit(shop, { peg: 640, unitTypeId: undefined });
    const { positionId } = describePart(shop.people.assembler, shop.context, {
      ...{ jobId, version: snapshot().job.version, name: 'Odd bush', family: 'bush-washer-pin' },
    });
    const { checkId } = add(shop.people.inspector, positionId, 'bore');
    takeReading(shop.people.inspector, shop.context, {
      ...captureHead(jobId, shop.people.inspector),
      ...{ positionId, checkId, place: 'plane A, along', raw: '20.1', unit: 'mm', gaugeId: 'dial' },
    });
    expect(stateOf(positionId).judgements[0]?.judgement.word).toBe('no-limit');
    expect(refused(() => add(shop.people.inspector, positionId, 'backlash')).message).toContain(
      'no such check',
    );
  });

  it('can be measured at once: the figure stands in the report, and stays an open question', () => {
    keep({
      what: 'figure',
      positionId: 'yoke',
      measured: 'Bolt circle',
      raw: '92.1',
      unit: 'mm',
      gaugeId: 'dial',
    });
    expect(stateOf('yoke').openQuestions.map(({ code }) => code)).toContain('figure-unjudged');
    const wrong = (over: object) =>
      refused(() =>
        keep({
          ...{
            what: 'figure',
            positionId: 'yoke',
            measured: 'x',
            raw: '1',
            unit: 'mm',
            gaugeId: 'dial',
            ...over,
          },
        } as RecordContent),
      ).message;
    expect(wrong({ raw: 'a lot' })).toContain('not one number');
    expect(wrong({ unit: 'Nm' })).toContain('does not read');
    expect(wrong({ gaugeId: 'none' })).toContain('not on the list');
  });
});

describe('a figure that is worth asking for', () => {
  const figure = () => {
    jobId = bookTestUnit(shop, { peg: 641, unitTypeId: undefined });
    const { positionId } = describePart(shop.people.assembler, shop.context, {
      ...{ jobId, version: snapshot().job.version, name: 'Odd washer', family: 'bush-washer-pin' },
    });
    keep({ what: 'figure', positionId, measured: 'Chamfer', raw: '1.4', unit: 'mm', gaugeId: 'dial' });
    return snapshot().records.find(({ content }) => content.what === 'figure')!.id;
  };
  const make = (figureId: string, over: object = {}) =>
    checkFromFigure(shop.people.inspector, shop.context, {
      ...{ jobId, version: snapshot().job.version, figureId, source: '' },
      ...over,
    });

  it('becomes a check, with a limit where its source is known', () => {
    const figureId = figure();
    expect(refused(() => make(figureId, { min: 1 })).message).toContain('Where does the limit come from?');
    expect(refused(() => make(figureId, { min: 3, max: 1, source: 'x' })).message).toContain(
      'min lies above max',
    );
    const before = snapshot().unitType.revision;
    const { checkId, revision } = make(figureId, { min: 1.2, source: 'read off a new one' });
    expect(revision).toBe(before + 1);
    expect(snapshot().unitType.checks.find(({ id }) => id === checkId)).toMatchObject({
      ...{ title: 'Chamfer', unit: 'mm' },
      limits: [{ kind: 'service', min: 1.2, source: { kind: 'shop', words: 'read off a new one' } }],
    });
  });

  it('without one stays judged by nothing; what is no figure of this job becomes none', () => {
    const figureId = figure();
    make(figureId);
    expect(snapshot().unitType.checks.at(-1)).toMatchObject({ title: 'Chamfer', limits: [] });
    expect(refused(() => make('01930000-0000-7000-8000-000000000001')).code).toBe('not-found');
    expect(refused(() => make(figureId, { version: 0 })).code).toBe('stale');
  });
});

describe('how a part was held', () => {
  const take = (raw: string, held?: string) =>
    takeReading(shop.people.inspector, shop.context, {
      ...captureHead(jobId, shop.people.inspector),
      ...{
        positionId: 'ring-gear',
        checkId: 'back-face-runout',
        place: '',
        raw,
        unit: 'mm',
        gaugeId: 'dial',
      },
      ...(held === undefined ? {} : { held }),
    });
  const holdings = () =>
    stateOf('ring-gear')
      .judgements.find(({ check }) => check.id === 'back-face-runout')
      ?.judgement.holdings?.map(({ held = '' }) => held);
  it('is kept with the reading, and put right beside it; the reading stays as it was taken', () => {
    const { id } = take('0.05');
    take('0.12', 'in blocks');
    expect(snapshot().readings.map(({ held }) => held)).toEqual([undefined, 'in blocks']);
    expect(holdings()).toEqual(['', 'in blocks']);
    keep({ what: 'readings-held', readingIds: [id], held: 'in blocks', reason: 'it lay in them' });
    expect(holdings()).toBeUndefined();
    expect(snapshot().readings[0]).toMatchObject({
      held: 'in blocks',
      corrected: { reason: 'it lay in them' },
    });
    const other = '01930000-0000-7000-8000-0000000000ff';
    expect(
      refused(() => keep({ what: 'readings-held', readingIds: [other], held: 'x', reason: 'y' })).message,
    ).toContain('not of this job');
  });
});
