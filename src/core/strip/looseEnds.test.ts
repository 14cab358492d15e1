import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import type { RecordContent, RecordOf } from '@/model/recordKinds';
import type { BenchRecord, Finding } from '@/model/snapshot';
import { describedStates } from '../section/describedStates';
import { drawSection } from '../section/drawSection';
import { balanceLinks } from './balanceLinks';
import { againstPlace, debrisSources, loosePlaces } from './looseEnds';

const box = shippedUnitTypes().find(({ id }) => id === 'skell-five')!;
const base = { author: 'Mirel', authorId: 'm', deviceTime: '', receivedAt: '', struck: null };
let number = 0;
const record = (content: RecordContent): BenchRecord => {
  number += 1;
  return { ...base, id: `r${number}`, content };
};
const broken: Finding = {
  ...{ ...base, id: 'f', positionId: 'gear-3', mode: 'overload-fracture', place: 'drive flank' },
  ...{ severity: 'severe', story: 'unknown', note: '' },
};
const job = (records: BenchRecord[], findings: Finding[] = []) => ({
  ...{ unitType: box, records, findings, grades: [], catalogs: catalogsAsShipped() },
});
const piece = (over: Partial<RecordOf<'debris'>> = {}): RecordOf<'debris'> => ({
  ...{ what: 'debris', piece: 'Corner of a tooth', where: 'in the sump', colour: 'grey' },
  ...over,
});
const short = record({ what: 'count', positionId: 'pilot-rollers', counted: 13, note: '' });

describe('the other side of the balance', () => {
  it('are places that lack a piece: not found when counted, or broken', () => {
    expect(loosePlaces(job([]))).toEqual([]);
    expect(loosePlaces(job([short], [broken])).map(({ position, words }) => [position.id, words])).toEqual([
      ['pilot-rollers', '1 of 14 not found'],
      ['gear-3', 'broken clean off'],
    ]);
  });
  it('is closed by a piece that is proved to be of it, and by no other', () => {
    const found = record(piece());
    const link = (sure: 'proved' | 'likely') =>
      record({ what: 'match', debrisId: found.id, positionId: 'gear-3', sure, note: '' });
    expect(loosePlaces(job([found, link('likely')], [broken]))).toHaveLength(1);
    expect(loosePlaces(job([found, link('proved')], [broken]))).toEqual([]);
  });
});

describe('where a piece may be from', () => {
  const first = (of: RecordOf<'debris'>, ...rest: Parameters<typeof job>) =>
    debrisSources(of, job(...rest))[0]!;
  it('is ranked by what is broken or missing, by name, colour and size', () => {
    expect(first(piece(), [short], [broken])).toMatchObject({ position: { id: 'gear-3' } });
    expect(first(piece({ piece: 'Half a roller' }), [short], [broken])).toMatchObject({
      position: { id: 'pilot-rollers' },
      reasons: expect.arrayContaining(['1 of 14 not found']),
    });
    expect(first(piece({ piece: 'A sliver', colour: 'yellow' }), []).position.family).toMatch(
      /synchro-ring|bush-washer-pin/,
    );
  });
  it('puts last what speaks against itself', () => {
    const ranked = debrisSources(piece({ colour: 'yellow' }), job([], [broken]));
    expect(ranked.find(({ position }) => position.id === 'gear-3')!.against).toContain('the piece is yellow');
    expect(ranked.findIndex(({ position }) => position.id === 'gear-3')).toBeGreaterThan(10);
  });
  it('tells rollers apart by their diameter', () => {
    const bearing = box.bearings.find(({ rollerDiameter }) => rollerDiameter !== undefined);
    const position = box.positions.find(({ id }) => bearing?.positions.includes(id));
    expect(position).toBeDefined();
    const d = bearing!.rollerDiameter!;
    expect(againstPlace(piece({ diameterMm: d }), position!, box)).toBe('');
    expect(againstPlace(piece({ diameterMm: d + 0.5 }), position!, box)).toContain(`the piece is Ø`);
  });
});

describe('the links of the balance', () => {
  const section = drawSection(box, {
    ...{ width: 500, height: 400, states: describedStates(box), selected: undefined, labels: false },
    clear: { top: 60, bottom: 60 },
  });
  it('end in the metal of their parts, each in a lane of its own', () => {
    const wanted = ['gear-3', 'gear-1', 'gear-5', 'cluster'].map((position, at) => ({
      ...{ id: String(at), position, from: [-40, 40 + 60 * at] as const },
    }));
    const links = balanceLinks(section, wanted);
    expect(links.length).toBeGreaterThanOrEqual(3);
    const lanes = links.map(({ points }) => points[2]![1]);
    expect(new Set(lanes).size).toBe(lanes.length);
    for (const { id, points } of links) {
      const box = section.boxes.get(wanted[Number(id)]!.position)!;
      const [x, y] = points.at(-1)!;
      expect(x).toBeGreaterThanOrEqual(box.left - 1);
      expect(x).toBeLessThanOrEqual(box.right + 1);
      expect(y).toBeGreaterThanOrEqual(box.top - 1);
      expect(y).toBeLessThanOrEqual(box.bottom + 1);
    }
  });
});
