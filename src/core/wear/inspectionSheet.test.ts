import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import type { BenchRecord, Finding } from '@/model/snapshot';
import {
  foldedLines,
  isNotLookedAt,
  isSettled,
  likeParts,
  sheetGroups,
  whyNoGrade,
  whyNotNothing,
} from './inspectionSheet';
import type { PartState } from './partStanding';

const part = (
  id: string,
  over: Partial<PartState> & { at?: number; axis?: string; family?: string; shape?: string } = {},
): PartState => {
  const { at, axis = 'main', family = 'gear-teeth', shape, ...rest } = over;
  return {
    position: { id, name: id, family, axis, from: at, ...(shape ? { draw: { shape } } : {}) },
    grade: null,
    proposal: { grade: null, reasons: [], note: '', rulesRevision: 1 },
    judgements: [],
    openQuestions: rest.grade === undefined ? [{ code: 'not-looked-at', positionId: id }] : [],
    standing: rest.grade === undefined ? 'open' : 'sound',
    ...rest,
  } as unknown as PartState;
};
const AXES = [
  { id: 'main', name: 'Main shaft' },
  { id: 'lay', name: 'Countershaft' },
] as never;
const names = (parts: readonly PartState[]) => parts.map(({ position }) => position.id);

const facts = (...findings: readonly Finding[]) => ({ findings, records: [], catalogs: catalogsAsShipped() });

describe('the inspection sheet', () => {
  const parts = [
    part('tail', { at: 300 }),
    part('front', { at: 10, grade: 0 }),
    part('low', { at: 50, axis: 'lay' }),
    part('case', { axis: 'nowhere' }),
  ];

  it('goes along each shaft from front to tail, and ends with what lies on none', () => {
    const groups = sheetGroups({ axes: AXES, steps: [] }, parts, 'along the shafts');
    expect(groups.map(({ title, parts: own }) => [title, names(own)])).toEqual([
      ['Main shaft, front to tail', ['front', 'tail']],
      ['Countershaft, front to tail', ['low']],
      ['Case and what lies on no shaft', ['case']],
    ]);
    expect(groups.map(({ notLookedAt }) => notLookedAt)).toEqual([1, 1, 1]);
  });

  it('goes as it came apart, each part once, and forgets none that no step names', () => {
    const steps = [
      { id: 's1', title: 'Cover off', positions: ['case', 'tail'] },
      { id: 's2', title: 'Shaft out', positions: ['tail', 'front'] },
    ] as never;
    const groups = sheetGroups({ axes: AXES, steps }, parts, 'as it came apart');
    expect(groups.map(({ title, parts: own }) => [title, names(own)])).toEqual([
      ['Cover off', ['case', 'tail']],
      ['Shaft out', ['front']],
      ['Comes off in no step', ['low']],
    ]);
  });

  it('folds what is settled, never what is open, worn on the edge or beyond', () => {
    const settled = [0, 1, 2].map((grade) => part(`g${grade}`, { grade: grade as 0 }));
    const others = [
      part('edge', { grade: 3, standing: 'attention' }),
      part('beyond', { grade: 0, standing: 'attention' }),
      part('asked', {
        grade: 0,
        openQuestions: [{ code: 'no-limit', positionId: 'asked', checkId: 'c', check: 'C' }],
      }),
      part('unknown'),
    ];
    expect(settled.every(isSettled)).toBe(true);
    expect(others.some(isSettled)).toBe(false);
    const lines = foldedLines([...settled, ...others, ...settled], new Set(), 2);
    expect(lines.map((line) => (line.kind === 'row' ? line.part.position.id : names(line.parts)))).toEqual([
      ['g0', 'g1'],
      ['g2'],
      ...names(others),
      ['g0', 'g1'],
      ['g2'],
    ]);
    expect(foldedLines(settled, new Set(['g1']), 5).filter(({ kind }) => kind === 'row')).toHaveLength(1);
  });

  it('gathers what is alike and as little known', () => {
    const ring = (id: string, over = {}) => part(id, { family: 'dog-teeth', shape: 'gear', ...over });
    const all = [
      ring('a'),
      ring('b'),
      ring('graded', { grade: 1 }),
      part('washer', { family: 'bush-washer-pin' }),
    ];
    expect(names(likeParts(all, 'a'))).toEqual(['b']);
    expect(likeParts(all, 'nobody')).toEqual([]);
  });

  it('a grade whose evidence was struck out counts as not looked at', () => {
    const bare = part('x', { grade: 0, openQuestions: [{ code: 'evidence-gone', positionId: 'x' }] });
    expect(isNotLookedAt(bare)).toBe(true);
    expect(isSettled(bare)).toBe(false);
  });

  it('“nothing to see” is refused where a reading lies beyond or something was found', () => {
    const beyond = part('x', {
      judgements: [{ check: { title: 'Thickness' }, judgement: { word: 'beyond' } }] as never,
    });
    expect(whyNotNothing(beyond, facts())).toContain('Thickness reads beyond its limit');
    // How it was set up says nothing of how it looks.
    const setUp = part('x', {
      judgements: [
        { check: { title: 'Torque' }, judgement: { word: 'beyond', limit: { kind: 'set-up' } } },
      ] as never,
    });
    expect(whyNotNothing(setUp, facts())).toBe('');
    const failed = {
      ...{ id: 'h', author: 'm', authorId: 'm', deviceTime: '', receivedAt: '', struck: null },
      content: { what: 'hand-test', positionId: 'x', testId: 'crack-test', result: 'fail', note: '' },
    } as BenchRecord;
    expect(whyNotNothing(part('x'), { ...facts(), records: [failed] })).toContain(
      'Crack test by hand: indication',
    );
    const found = { positionId: 'x', mode: 'spalling', struck: null } as Finding;
    expect(whyNotNothing(part('x'), facts(found))).toContain('Something was found on it already');
    expect(whyNotNothing(part('x'), facts({ ...found, mode: 'nothing-to-see' }))).toBe('');
    expect(whyNotNothing(part('y'), facts(found))).toBe('');
  });

  it('a grade is refused where nobody has said what is seen', () => {
    expect(whyNoGrade(part('x'))).toContain('nobody has said yet what is seen');
    const proposed = part('x', { proposal: { grade: 0, reasons: [], note: '', rulesRevision: 1 } });
    expect(whyNoGrade(proposed)).toBe('');
  });
});
