import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import type { UnitType } from '@/model/unitType';
import { setGrade } from '@/server/grade/setGrade';
import { describePart } from '@/server/job/describePart';
import { describeType } from '@/server/job/describeType';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { adoptSheet, previewAdoption } from '@/server/limits/sheets';
import { keepRecord } from '@/server/strip/keepRecord';
import { noteFinding } from '@/server/strip/noteFinding';
import { bringInType, readAllTypes } from '@/server/unit-types/exchange';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  refusalOf as refused,
  shippedRevision,
  type TestShop,
} from './fixtures/shop';

let shop: TestShop;
beforeEach(() => {
  shop = openTestShop();
});
afterEach(() => shop.close());

const snapshot = (jobId: string) => gatherSnapshot(shop.context.db, jobId);
const describeAs = (jobId: string, document: object, version = snapshot(jobId).job.version) =>
  describeType(shop.people.inspector, shop.context, {
    jobId,
    version,
    text: JSON.stringify(document),
    note: 'as it came off',
  });
const box = shippedUnitTypes().find(({ id }) => id === 'marnholt-b2')!;

/** A job of an unknown unit with one part on it. */
function unknownUnit(): { jobId: string; part: string } {
  const jobId = bookTestUnit(shop, { unitTypeId: undefined });
  const { positionId } = describePart(shop.people.inspector, shop.context, {
    jobId,
    version: snapshot(jobId).job.version,
    name: 'Odd gear',
    family: 'gear-teeth',
  });
  return { jobId, part: positionId };
}

/** A part without anything seen on it has no grade. */
const sees = (jobId: string, positionId: string) =>
  noteFinding(shop.people.lead, shop.context, {
    ...captureHead(jobId, shop.people.lead),
    ...{ positionId, mode: 'nothing-to-see', place: 'everywhere', severity: 'light' },
    ...{ story: 'unknown', note: '' },
  });

describe('the unit of one job, described in full', () => {
  it('becomes its own next revision, whatever id the text bears, and counts its parts on', () => {
    const { jobId, part } = unknownUnit();
    const before = snapshot(jobId).unitType;
    const next: UnitType = { ...box, positions: [...before.positions, ...box.positions], nextPosition: 1 };
    expect(describeAs(jobId, next)).toEqual({ revision: before.revision + 1 });
    const { unitType, job } = snapshot(jobId);
    expect(unitType).toMatchObject({ id: before.id, revision: before.revision + 1, title: box.title });
    expect(unitType.positions.map(({ id }) => id)).toContain(part);
    expect(unitType.nextPosition).toBe(before.nextPosition);
    expect(job.unitTypeRevision).toBe(unitType.revision);
    // The shop's own type of that name is untouched.
    expect(
      readAllTypes(shop.people.lead, shop.context, undefined).find(({ id }) => id === box.id)?.revision,
    ).toBe(shippedRevision(box.id));
  });

  it('keeps every part that something was recorded of', () => {
    const { jobId, part } = unknownUnit();
    sees(jobId, part);
    setGrade(shop.people.lead, shop.context, {
      jobId,
      entry: { positionId: part, version: 0, grade: 3, reason: 'pitted' },
    });
    const { unitType } = snapshot(jobId);
    const refusal = refused(() => describeAs(jobId, { ...unitType, positions: [] }));
    expect(refusal.message).toBe(
      'This job has records of “Odd gear”, which this description no longer holds. Nothing was changed, the job keeps its revision.',
    );
    expect(snapshot(jobId).unitType).toEqual(unitType);
  });

  it('refuses what can’t be drawn or solved, a stale version, and a type that others share', () => {
    const { jobId } = unknownUnit();
    const { unitType } = snapshot(jobId);
    const loose = {
      ...unitType,
      gears: [{ id: 'g', position: 'nowhere', teeth: 20, kind: 'spur', faceWidth: 10 }],
    };
    expect(refused(() => describeAs(jobId, loose)).message).toBe(
      'Gears, 1st, position: no position “nowhere”. Nothing was stored.',
    );
    expect(refused(() => describeAs(jobId, unitType, 0)).code).toBe('stale');
    const shared = bookTestUnit(shop, { peg: 777 });
    expect(refused(() => describeAs(shared, snapshot(shared).unitType)).message).toContain('shared');
  });
});

describe('a newer revision of a shared type', () => {
  const axle = shippedUnitTypes().find(({ id }) => id === 'torvane-hx41')!;
  const bringIn = (document: UnitType) =>
    bringInType(shop.people.lead, shop.context, {
      text: JSON.stringify(document),
      note: 'more',
      revision: shippedRevision() + 1,
    });

  it('tells a job what else it changes, and is taken over knowingly', () => {
    const jobId = bookTestUnit(shop);
    bringIn({
      ...axle,
      positions: [...axle.positions, { id: 'plug', name: 'Drain plug', family: 'fastener-seal' }],
    });
    const preview = previewAdoption(shop.people.inspector, shop.context, { jobId });
    expect(preview).toEqual({
      revision: shippedRevision() + 1,
      changes: [],
      described: ['1 part is new: Drain plug'],
    });
    expect(snapshot(jobId).unitType.revision).toBe(shippedRevision());
    adoptSheet(shop.people.lead, shop.context, {
      jobId,
      version: snapshot(jobId).job.version,
      revision: shippedRevision() + 1,
    });
    expect(snapshot(jobId).unitType.positions.map(({ id }) => id)).toContain('plug');
  });

  it('is not taken over when it dropped a part of which the job has records', () => {
    const jobId = bookTestUnit(shop);
    sees(jobId, 'cover');
    setGrade(shop.people.lead, shop.context, {
      jobId,
      entry: { positionId: 'cover', version: 0, grade: 3, reason: 'bent' },
    });
    bringIn({
      ...axle,
      positions: axle.positions.filter(({ id }) => id !== 'cover'),
      steps: axle.steps.map((step) => ({
        ...step,
        positions: step.positions.filter((id) => id !== 'cover'),
      })),
    });
    const refusal = refused(() =>
      adoptSheet(shop.people.lead, shop.context, {
        jobId,
        version: snapshot(jobId).job.version,
        revision: shippedRevision() + 1,
      }),
    );
    expect(refusal.message).toContain('records of “Rear cover”');
    expect(snapshot(jobId).unitType.revision).toBe(shippedRevision());
  });

  it.each([
    [
      'a counted part',
      { what: 'count' as const, positionId: 'cover', counted: 1, note: '' },
      'Rear cover',
      (type: UnitType) => ({
        ...type,
        positions: type.positions.filter(({ id }) => id !== 'cover'),
        steps: type.steps.map((step) => ({
          ...step,
          positions: step.positions.filter((id) => id !== 'cover'),
        })),
      }),
    ],
    [
      'a check that could not be done',
      { what: 'not-measured' as const, checkId: 'pinion-torque', positionId: 'pinion', reason: 'seized' },
      'Turning torque of the pinion',
      (type: UnitType) => ({ ...type, checks: type.checks.filter(({ id }) => id !== 'pinion-torque') }),
    ],
    [
      'a step that was done',
      { what: 'step' as const, stepId: 'drain' },
      'Drain, catch the oil, look at the magnet',
      (type: UnitType) => ({ ...type, steps: type.steps.filter(({ id }) => id !== 'drain') }),
    ],
    [
      'a stack whose shims were put down',
      { what: 'step' as const, stepId: 'case-out', shims: [{ positionId: 'shim-left', thicknessMm: 2 }] },
      'Backlash stack, left',
      (type: UnitType) => ({
        ...type,
        positions: type.positions.filter(({ id }) => id !== 'shim-left'),
        stacks: type.stacks.filter(({ position }) => position !== 'shim-left'),
        checks: type.checks.filter(({ positions }) => !positions.includes('shim-left')),
        steps: type.steps.map((step) => ({
          ...step,
          positions: step.positions.filter((id) => id !== 'shim-left'),
        })),
      }),
    ],
  ])('is not taken over when it dropped %s', (_, content, name, without) => {
    const jobId = bookTestUnit(shop);
    keepRecord(shop.people.inspector, shop.context, {
      ...{ id: uuidv7(), jobId, authorId: shop.people.inspector.id, deviceTime: '2026-11-24T09:00:00.000Z' },
      content,
    });
    bringIn(without(axle));
    const adopt = () =>
      adoptSheet(shop.people.lead, shop.context, {
        jobId,
        version: snapshot(jobId).job.version,
        revision: shippedRevision() + 1,
      });
    expect(refused(adopt).message).toContain(`records of “${name}”`);
    expect(snapshot(jobId).unitType.revision).toBe(shippedRevision());
  });
});
