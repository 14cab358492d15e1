import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { judgeSample } from '@/core/strip/labSample';
import { readLabTable } from '@/core/strip/labTable';
import type { RecordOf } from '@/model/recordKinds';
import { labReport } from './standInLab';

const clean: RecordOf<'drained'> = {
  ...{ what: 'drained', litres: 2, colour: 'amber', smell: 'as oil', water: 'none' },
  ...{ magnet: ['paste'], glitter: 'none', note: '' },
};

/** The table as the shop reads it: what can be taken, and what can't. */
function read(table: string) {
  const [, ...rows] = table.split('\n').map((line) => line.split(';'));
  const lines = readLabTable(rows, { element: 0, value: 1, unit: 2 }, catalogsAsShipped()['oil-thresholds']);
  const values = lines.flatMap(({ element, value }) =>
    element === undefined || value === undefined ? [] : [{ element, value }],
  );
  return { values, bad: lines.filter(({ message }) => message !== undefined) };
}

const levels = (drained: RecordOf<'drained'>, id = '0190a000-0000-7000-8000-000000000001') => {
  const { values } = read(labReport({ id, distanceKm: 50_000, drained }));
  return new Map(
    judgeSample(
      { what: 'lab', sample: 's', values, note: '', oil: 'gear-oil', oilAgeKm: 50_000 },
      catalogsAsShipped()['oil-thresholds'],
      undefined,
    ).map(({ id: element, level }) => [element, level]),
  );
};

describe('the laboratory’s stand-in', () => {
  it('answers in a table that the shop can read, but for the one line that it does not judge', () => {
    const { values, bad } = read(labReport({ id: 'a', drained: clean }));
    expect(values).toHaveLength(catalogsAsShipped()['oil-thresholds'].elements.length);
    expect(bad.map(({ message }) => message)).toEqual(['“Viscosity 40” is no element that is judged here']);
  });

  it('finds a sound unit usual, coarse grey in iron, yellow in copper, water in sodium', () => {
    expect(new Set(levels(clean).values())).toEqual(new Set(['usual']));
    expect(levels({ ...clean, magnet: ['flakes'], glitter: 'grey' }).get('iron')).not.toBe('usual');
    expect(levels({ ...clean, glitter: 'yellow' }).get('copper')).not.toBe('usual');
    expect(levels({ ...clean, water: 'drops' }).get('sodium')).not.toBe('usual');
  });

  it('gives the same sample the same figures, another one others, and more after a longer way', () => {
    const once = labReport({ id: 'a', distanceKm: 50_000, drained: clean });
    expect(labReport({ id: 'a', distanceKm: 50_000, drained: clean })).toBe(once);
    expect(labReport({ id: 'b', distanceKm: 50_000, drained: clean })).not.toBe(once);
    const iron = (table: string) => read(table).values.find(({ element }) => element === 'iron')!.value;
    expect(iron(labReport({ id: 'a', distanceKm: 150_000, drained: clean }))).toBeGreaterThan(iron(once));
  });
});
