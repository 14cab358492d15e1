import { describe, expect, it } from 'vitest';
import type { Finding } from '@/model/snapshot';
import { unitFindings } from './unitFindings';

/* A box of four pairs on two shafts: what is expected was counted by hand from these lists. */

const PAIRS = [
  ['25', '35'],
  ['32', '28'],
  ['38', '22'],
  ['15', '39'],
] as const;
const gear = (teeth: string, axis: string) => ({
  id: `g${teeth}`,
  position: `p${teeth}`,
  teeth: Number(teeth),
  axis,
});
const gears = PAIRS.flatMap(([a, b]) => [gear(a, 'main'), gear(b, 'lay')]);
const unitType = {
  couplings: [],
  states: [],
  axes: [
    { id: 'main', name: 'Main shaft' },
    { id: 'lay', name: 'Countershaft' },
  ],
  gears,
  meshes: PAIRS.map(([a, b]) => ({ a: `g${a}`, b: `g${b}` })),
  positions: [
    ...gears.map(({ position, axis }) => ({ id: position, name: position, family: 'gear-teeth', axis })),
    ...['b1', 'b2', 'b3'].map((id) => ({ id, name: id, family: 'rolling-bearing', axis: 'main' })),
    ...['w1', 'w2'].map((id) => ({ id, name: id, family: 'bush-washer-pin', axis: 'lay' })),
  ],
} as never;
const saw = (...list: readonly (readonly [string, string])[]) =>
  unitFindings({
    unitType,
    findings: list.map(([positionId, mode]) => ({ positionId, mode, struck: null }) as Finding),
  });
const codes = (...list: readonly (readonly [string, string])[]) => saw(...list).map(({ code }) => code);

describe('what the parts say of the unit', () => {
  it('scuffing on every mesh that was looked at, with what is still open', () => {
    const [found] = saw(['p25', 'scuffing'], ['p28', 'scuffing'], ['p38', 'scuffing']);
    expect(found).toMatchObject({ code: 'scuffing-every-mesh', stillOpen: ['p15', 'p39'] });
    expect(found?.words).toContain('All 3 of 4 meshes');
    expect(found?.words).toContain('Not looked at yet: 15·39');
  });

  it('one mesh that was looked at and is clean changes it, and one mesh alone says so', () => {
    expect(codes(['p25', 'scuffing'], ['p28', 'scuffing'], ['p38', 'nothing-to-see'])).toEqual([]);
    expect(codes(['p25', 'scuffing'], ['p28', 'nothing-to-see'], ['p38', 'polishing'])).toEqual([
      'scuffing-one-mesh',
    ]);
    expect(codes(['p25', 'scuffing'])).toEqual([]);
  });

  it('damage on one shaft alone only where the others were looked at', () => {
    const damaged = [
      ['p25', 'spalling'],
      ['p32', 'spalling'],
      ['p38', 'spalling'],
    ] as const;
    expect(codes(...damaged)).toEqual([]);
    const sound = ['p35', 'p28', 'p22'].map((id) => [id, 'nothing-to-see'] as const);
    expect(codes(...damaged, ...sound)).toEqual(['damage-one-shaft']);
    expect(codes(...damaged, ...sound, ['p39', 'spalling'])).toEqual([]);
  });

  it('dents through two bearings, heat on two kinds, copper alloy eaten twice', () => {
    expect(codes(['b1', 'particle-dents'])).toEqual([]);
    expect(codes(['b1', 'particle-dents'], ['b2', 'particle-dents'])).toContain('dents-through-bearings');
    expect(codes(['b1', 'heat-colour'], ['p25', 'heat-colour-blue'], ['p35', 'heat-colour-straw'])).toContain(
      'heat-everywhere',
    );
    expect(codes(['w1', 'copper-loss'], ['w2', 'copper-loss'])).toContain('copper-loss-several');
  });

  it('tracks on one side, marks of something that went round, and wear of many kinds', () => {
    expect(codes(['b1', 'one-sided-track'])).toEqual([]);
    expect(codes(['b1', 'one-sided-track'], ['b2', 'one-sided-track'])).toContain('tracks-one-sided');
    expect(codes(['p25', 'foreign-body-mark'], ['p35', 'foreign-body-mark'])).not.toContain(
      'debris-through-meshes',
    );
    const [round] = saw(['p25', 'foreign-body-mark'], ['p28', 'indentation']);
    expect(round).toMatchObject({
      ...{ code: 'debris-through-meshes', restsOn: ['p25', 'p28'], stillOpen: ['p38', 'p22', 'p15', 'p39'] },
      words: 'Marks of it on 25·35, 32·28. Not looked at yet: 38·22, 15·39.',
    });
  });

  it('teeth worn where some gears engage, once enough others were looked at', () => {
    const dogs = ['1', '2', '3', '4'].map((gear) => ({
      ...{ id: `d${gear}`, name: `Dogs ${gear}`, family: 'dog-teeth', body: `gear-${gear}` },
    }));
    const box = {
      ...(unitType as object),
      positions: dogs,
      couplings: dogs.map(({ body }, index) => ({ id: `c${index + 1}`, ties: ['main', body] })),
      states: dogs.map((_, index) => ({ gear: String(index + 1), engaged: [`c${index + 1}`] })),
    } as never;
    const seen = (...list: readonly (readonly [string, string])[]) =>
      unitFindings({
        unitType: box,
        findings: list.map(([positionId, mode]) => ({ positionId, mode, struck: null }) as Finding),
      });
    expect(seen(['d2', 'peaks-rounded'], ['d3', 'nothing-to-see'])).toEqual([]);
    expect(seen(['d2', 'peaks-rounded'], ['d3', 'nothing-to-see'], ['d4', 'nothing-to-see'])).toMatchObject([
      { code: 'engagement-some-gears', title: 'Worn where 2 engage', restsOn: ['d2'], stillOpen: ['d1'] },
    ]);
  });

  it('rests on what was measured too: a part beyond its limit is worn, whatever anybody saw', () => {
    const kinds = [
      'gear-teeth',
      'rolling-bearing',
      'bush-washer-pin',
      'synchro-ring',
      'shaft-spline',
      'housing',
    ];
    const positions = kinds.map((family) => ({ id: family, name: family, family }));
    const parts = positions.map((position) => ({
      position,
      judgements: [{ judgement: { word: 'beyond' } }],
    })) as never;
    const facts = {
      unitType: { ...(unitType as object), positions, gears: [], meshes: [] },
      findings: [],
    } as never;
    expect(unitFindings(facts).map(({ code }) => code)).toEqual([]);
    expect(unitFindings(facts, parts).map(({ code }) => code)).toEqual(['worn-all-over']);
  });

  it('never counts what was struck out', () => {
    const struck = { at: '', by: '', reason: '', slip: false };
    const findings = ['p25', 'p28'].map(
      (positionId) => ({ positionId, mode: 'scuffing', struck }) as Finding,
    );
    expect(unitFindings({ unitType, findings })).toEqual([]);
  });
});
