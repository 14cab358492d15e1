import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import {
  type Draft,
  doubled,
  freeId,
  type Json,
  moved,
  namedIn,
  renamed,
  valueAt,
  withValue,
} from './editType';
import { faultsOfDraft } from './faultsOfDraft';
import { TYPE_LISTS } from './lists';

const draftOf = (id: string): Draft =>
  JSON.parse(JSON.stringify(shippedUnitTypes().find((type) => type.id === id))) as Draft;
const box = draftOf('skell-t5');
const blocking = (draft: Draft) => faultsOfDraft(draft).faults.filter(({ blocks }) => blocks !== 'nothing');
const indexOf = (draft: Draft, list: string, id: string) =>
  (draft[list] as readonly { id: string }[]).findIndex((entry) => entry.id === id);

describe('a draft', () => {
  it('is changed at a place and nowhere else', () => {
    const next = withValue(box, ['axes', 0, 'origin', 1], 7);
    expect(valueAt(next, ['axes', 0, 'origin'])).toEqual([0, 7]);
    expect(valueAt(box, ['axes', 0, 'origin'])).toEqual([0, 0]);
    expect(withValue(next, ['axes', 0, 'origin', 1], 0)).toEqual(box);
  });

  it('takes places away and closes gaps', () => {
    expect(withValue({ a: 1, b: [1, 2, 3] } as Draft, ['b', 1], undefined)).toEqual({ a: 1, b: [1, 3] });
    expect(withValue({ a: 1, b: 2 } as Draft, ['a'], undefined)).toEqual({ b: 2 });
    expect(withValue({} as Draft, ['power', 'outputs', 0, 'body'], 'x')).toEqual({
      power: { outputs: [{ body: 'x' }] },
    });
  });

  it('moves and doubles entries', () => {
    const list = { axes: [{ id: 'a' }, { id: 'b' }, { id: 'c' }] } as Draft;
    const ids = (draft: Draft) => (draft.axes as readonly { id: string }[]).map(({ id }) => id);
    expect(ids(moved(list, 'axes', 0, 1))).toEqual(['b', 'a', 'c']);
    expect(ids(moved(list, 'axes', 2, 1))).toEqual(['a', 'b', 'c']);
    expect(ids(moved(list, 'axes', 0, -1))).toEqual(['a', 'b', 'c']);
    expect(ids(doubled(list, 'axes', 1))).toEqual(['a', 'b', 'b-2', 'c']);
    expect(freeId([{ id: 'b' }, { id: 'b-2' }], 'b-2')).toBe('b-3');
  });
});

describe('another id', () => {
  it('goes wherever the description names the old one, so that it stays without a fault', () => {
    expect(blocking(box)).toEqual([]);
    for (const [list, id] of [
      ['axes', 'output'],
      ['bodies', 'carrier'],
      ['positions', 'diff-left'],
      ['gears', 'fp'],
      ['couplings', 'k-3'],
      ['bearings', 'b-diff-l'],
    ] as const) {
      const next = renamed(box, list, indexOf(box, list, id), 'quite-another');
      expect(namedIn(next, list, id), id).toEqual([]);
      expect(namedIn(next, list, 'quite-another').length).toBe(namedIn(box, list, id).length);
      expect(blocking(next)).toEqual([]);
    }
  });

  it('leaves things of another kind that bear the same id alone', () => {
    // The type has an axis “output” and no body of that name; a position “cage” and a body “cage” in the transfer case.
    const transfer = draftOf('orlop-t2');
    const next = renamed(transfer, 'positions', indexOf(transfer, 'positions', 'cage'), 'diff-cage');
    expect(indexOf(next, 'bodies', 'cage')).toBeGreaterThanOrEqual(0);
    expect(namedIn(next, 'bodies', 'cage')).toEqual(namedIn(transfer, 'bodies', 'cage'));
    expect(blocking(next)).toEqual([]);
  });

  it('there and back gives the same document, whatever entry it is', () => {
    const lists = TYPE_LISTS.filter((list) => (box[list] as readonly Json[]).every((e) => (e as Draft).id));
    fc.assert(
      fc.property(fc.constantFrom(...lists), fc.nat(), (list, at) => {
        const entries = box[list] as readonly { id: string }[];
        const index = at % entries.length;
        const there = renamed(box, list, index, 'nobody-has-this');
        expect(renamed(there, list, index, entries[index]!.id)).toEqual(box);
      }),
    );
  });
});

describe('what is wrong with a draft', () => {
  it('is said in words with its place, for figures that are none and choices that are not there', () => {
    const bad = withValue(withValue(box, ['gears', 0, 'teeth'], 'x'), ['axes', 0, 'cut'], 'sideways');
    const { type, faults } = faultsOfDraft(bad);
    expect(type).toBeUndefined();
    expect(faults).toEqual([
      { path: 'axes.0.cut', message: 'choose one of those offered', blocks: 'section' },
      { path: 'gears.0.teeth', message: 'a number is needed', blocks: 'section' },
    ]);
  });

  it('is found in the train as well', () => {
    const both = withValue(box, ['states', 0, 'engaged'], ['k-1', 'k-2']);
    expect(faultsOfDraft(both).faults).toContainEqual({
      path: 'states.0',
      message: 'the train is locked in R',
      blocks: 'train',
    });
  });
});
