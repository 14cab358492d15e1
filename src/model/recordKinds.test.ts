import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import kept from '../../tests/unit/fixtures/records.json';
import { RECORD_KINDS, RecordContentSchema, readRecord, refersTo, upgraded } from './recordKinds';

const samples = Object.entries(kept as Record<string, Record<string, unknown>>);

describe('the kinds of record', () => {
  it('have a kept sample of every version that was ever written', () => {
    const versions = Object.entries(RECORD_KINDS).flatMap(([what, { version }]) =>
      Array.from({ length: version }, (_, index) => `${what} ${index + 1}`),
    );
    expect(Object.keys(kept).sort()).toEqual(versions.sort());
  });

  it.each(samples)('open a stored “%s” in today’s shape', (_, stored) => {
    const content = readRecord(stored);
    expect(content.what).toBe(stored.what);
    expect(v.safeParse(RecordContentSchema, stored).success).toBe(true);
    expect(() => refersTo(content)).not.toThrow();
  });

  it('keep what a later program wrote, and say that it can’t be read', () => {
    expect(readRecord({ what: 'oracle', answer: 42 })).toEqual({ what: 'unreadable', kind: 'oracle' });
    expect(readRecord({ what: 'order', why: 'x', version: 99 })).toEqual({
      what: 'unreadable',
      kind: 'order',
    });
    expect(readRecord({ what: 'toString' })).toEqual({ what: 'unreadable', kind: 'toString' });
    expect(refersTo(readRecord({ what: 'oracle' }))).toEqual({});
  });

  it.each([
    [{ what: 'oracle' }, /no records of the kind “oracle”/],
    [{ what: 'order', why: 'x', version: 3 }, /version 3; this program knows up to 1/],
    [{ what: 'count', positionId: 'p', counted: -1, note: '' }, /can’t be below zero/],
    [17, /a record is needed/],
    [null, /a record is needed/],
  ])('refuse %j in words', (content, words) => {
    const parsed = v.safeParse(RecordContentSchema, content);
    expect(parsed.success).toBe(false);
    expect(parsed.issues?.map(({ message }) => message).join()).toMatch(words);
  });

  it('say where in a record something is wrong', () => {
    const parsed = v.safeParse(v.object({ content: RecordContentSchema }), {
      content: { what: 'lab', sample: 'A', values: [{ element: 'iron', value: -1 }], note: '' },
    });
    expect(parsed.issues?.map((issue) => v.getDotPath(issue))).toEqual(['content.values.0.value']);
  });

  it('bring an older version up step by step, and leave today’s alone', () => {
    const upgrades = [
      ({ litre, ...rest }: Record<string, unknown>) => ({ ...rest, litres: litre }),
      (older: Record<string, unknown>) => ({ ...older, colour: 'brown' }),
    ];
    expect(upgraded({ upgrades }, { what: 'x', litre: 2 })).toEqual({
      what: 'x',
      litres: 2,
      colour: 'brown',
    });
    expect(upgraded({ upgrades }, { what: 'x', litres: 2, version: 2 })).toMatchObject({ colour: 'brown' });
    expect(upgraded({ upgrades }, { what: 'x', litres: 2, version: 3 })).toEqual({ what: 'x', litres: 2 });
  });
});
