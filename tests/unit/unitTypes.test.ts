import fs from 'node:fs';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { validateUnitType } from '@/core/unit-type/validate';
import type { UnitType } from '@/model/unitType';
import { readBookInForm } from '@/server/book-in/bookIn';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { bringInType, copyType, exportType, lookAtType, readUnitTypes } from '@/server/unit-types/exchange';
import {
  bookTestUnit,
  openTestShop,
  refusalOf as refused,
  shippedRevision,
  type TestShop,
} from './fixtures/shop';

const sketch = (name: string): UnitType =>
  JSON.parse(fs.readFileSync(path.resolve(`tests/unit/fixtures/sketch-${name}.json`), 'utf8')) as UnitType;

let shop: TestShop;
beforeEach(() => {
  shop = openTestShop();
});
afterEach(() => shop.close());

const look = (document: unknown) =>
  lookAtType(shop.people.lead, shop.context, {
    text: typeof document === 'string' ? document : JSON.stringify(document),
  });
const bringIn = (document: unknown, revision = 1) =>
  bringInType(shop.people.lead, shop.context, {
    text: JSON.stringify(document),
    note: 'from the neighbour',
    revision,
  });
const known = () => readUnitTypes(shop.people.parts, shop.context, undefined).unitTypes.map(({ id }) => id);

describe('a unit type from a file', () => {
  it('is looked at, then stored, and is offered at the counter', () => {
    const bevel = sketch('bevel');
    expect(look(bevel)).toMatchObject({ revision: 1, mayBeStored: true, type: { id: bevel.id } });
    expect(known()).not.toContain(bevel.id);
    expect(bringIn(bevel)).toEqual({ unitTypeId: bevel.id, revision: 1 });
    expect(readBookInForm(shop.people.lead, shop.context, undefined).unitTypes.map(({ id }) => id)).toContain(
      bevel.id,
    );
    expect(exportType(shop.people.parts, shop.context, { unitTypeId: bevel.id })).toMatchObject({
      id: bevel.id,
      revision: 1,
    });
  });

  it('goes out and comes in as the next revision, with nothing lost and no job touched', () => {
    const jobId = bookTestUnit(shop);
    const out = exportType(shop.people.inspector, shop.context, { unitTypeId: 'torvane-hx41' });
    expect(look(out)).toMatchObject({
      revision: shippedRevision() + 1,
      ratios: [{ gear: 'Drive', words: '3.727' }],
    });
    bringIn({ ...out, title: 'Hypoid axle head, later' }, shippedRevision() + 1);
    const {
      revision: _,
      title: __,
      ...rest
    } = exportType(shop.people.lead, shop.context, {
      unitTypeId: 'torvane-hx41',
    });
    expect(out).toMatchObject(rest);
    expect(gatherSnapshot(shop.context.db, jobId)).toMatchObject({
      newestRevision: shippedRevision() + 1,
      unitType: { revision: shippedRevision(), title: out.title },
    });
    expect(refused(() => bringIn(out, shippedRevision())).code).toBe('stale');
  });

  it.each([
    ['no JSON', '{"id":', 'This is no JSON'],
    ['nothing', '   ', 'choose a file'],
  ])('that is %s is refused in words', (_, text, message) => {
    expect(refused(() => look(text)).message).toContain(message);
    expect(known()).toHaveLength(shippedUnitTypes().length);
  });

  it.each([
    ['another schema version', { schemaVersion: 2 }, 'schemaVersion'],
    ['a gear of no teeth', { gears: [{ ...sketch('bevel').gears[0], teeth: 0 }] }, 'gears.0.teeth'],
    ['a label of five megabytes', { title: 'x'.repeat(500_000) }, 'title'],
    [
      'a limit above itself',
      {
        checks: [
          {
            id: 'c',
            title: 'c',
            positions: ['p'],
            howTo: 'h',
            unit: 'mm',
            limits: [{ kind: 'new', min: 2, max: 1, unit: 'mm', source: { kind: 'maker', words: 'x' } }],
          },
        ],
      },
      'checks.0.limits.0',
    ],
  ])('with %s names the path and is not stored', (_, over, where) => {
    const document = { ...sketch('bevel'), ...over };
    const found = look(document);
    expect(found.mayBeStored).toBe(false);
    expect(found.faults.map(({ path: at }) => at)).toContain(where);
    expect(refused(() => bringIn(document)).message).toContain('Nothing was stored');
    expect(known()).toHaveLength(shippedUnitTypes().length);
  });

  it('that would not turn is told so, gear by gear', () => {
    const box = shippedUnitTypes().find(({ id }) => id === 'skell-five')!;
    const locked = { ...box, states: [...box.states, { gear: 'both', engaged: ['c-2', 'c-3'] }] };
    expect(look(locked)).toMatchObject({ mayBeStored: false });
    expect(look(locked).faults).toContainEqual({
      path: `states.${box.states.length}`,
      message: 'the train is locked in both',
      blocks: 'train',
    });
    const nowhere = { ...box, power: { input: 'input', outputs: [{ body: 'gone', share: 1 }] } };
    expect(look(nowhere).faults).toContainEqual({
      path: 'power.outputs.0.body',
      message: 'no body “gone”',
      blocks: 'train',
    });
    const loose = { ...box, states: [{ gear: '3', engaged: [], note: 'meant so' }] };
    expect(validateUnitType(loose as UnitType)).toContainEqual({
      path: 'states.0',
      message: 'nothing drives main in 3',
      blocks: 'nothing',
    });
  });

  it('is kept by the lead only', () => {
    for (const role of ['inspector', 'parts', 'apprentice', 'admin'] as const)
      expect(refused(() => lookAtType(shop.people[role], shop.context, { text: '{}' })).status, role).toBe(
        403,
      );
  });
});

describe('a copy of a unit type', () => {
  const copy = (over: object = {}) =>
    copyType(shop.people.lead, shop.context, {
      ...{ unitTypeId: 'skell-five', newId: 'skell-tow', title: 'Five-speed box, towing' },
      ...over,
    });
  it('begins at revision 1 and remembers what it came from', () => {
    copy();
    expect(exportType(shop.people.lead, shop.context, { unitTypeId: 'skell-tow' })).toMatchObject({
      revision: 1,
      title: 'Five-speed box, towing',
      basedOn: { id: 'skell-five', revision: shippedRevision('skell-five') },
    });
  });
  it('needs an id of its own that is one, and something to copy', () => {
    expect(refused(() => copy({ newId: 'torvane-hx41' })).message).toContain('already');
    expect(refused(() => copy({ newId: 'Has Spaces' })).code).toBe('bad-input');
    expect(refused(() => copy({ unitTypeId: 'gone' })).code).toBe('not-found');
    const jobId = bookTestUnit(shop, { peg: 502, unitTypeId: undefined });
    const own = gatherSnapshot(shop.context.db, jobId).unitType.id;
    expect(refused(() => copy({ unitTypeId: own })).code).toBe('not-found');
  });
});
