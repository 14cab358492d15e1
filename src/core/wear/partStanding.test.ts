import { describe, expect, it } from 'vitest';
import { catalogsAsShipped, earlierCatalogs } from '@/catalog/shipped';
import type { Check } from '@/model/checks';
import type { GradeRules } from '@/model/gradeRule';
import type { Acceptance } from '@/model/measuring';
import type { BenchRecord, Finding, GradeEntry, Reading } from '@/model/snapshot';
import type { TooClosePolicy } from '@/model/tooClose';
import type { Position } from '@/model/unitType';
import { tellOpen } from '../open/tellOpen';
import { findActive } from './active';
import { partState } from './partStanding';

const position: Position = { id: 'pin', name: 'Cross-pin', family: 'bush-washer-pin' };
const check: Check = {
  id: 'diameter',
  title: 'Diameter',
  positions: ['pin'],
  howTo: 'Micrometer.',
  unit: 'mm',
  statistic: 'mean',
  limits: [{ kind: 'service', min: 14.93, unit: 'mm', source: { kind: 'maker', words: 'p. 5' } }],
};
const gauge = {
  id: 'm',
  name: 'M',
  kind: 'micrometer',
  unit: 'mm' as const,
  resolution: 0.001,
  maxPermissibleError: 0.002,
  repeatability: 0.001,
  calibratedUntil: '2030-01-01',
};
const captured = {
  author: 'x',
  authorId: 'x',
  deviceTime: '2026-11-24T09:00:00.000Z',
  receivedAt: '',
  struck: null,
};
const struck = { at: '', by: 'x', reason: 'slipped', slip: false };
const read = (value: number, over: object = {}): Reading => ({
  ...captured,
  id: `r${value}`,
  positionId: 'pin',
  checkId: 'diameter',
  place: '',
  raw: String(value),
  unit: 'mm',
  value,
  gaugeId: 'm',
  temperatureC: null,
  ...over,
});
const see = (mode: string, over: object = {}): Finding => ({
  ...captured,
  id: `f${mode}`,
  positionId: 'pin',
  mode,
  place: 'one side',
  severity: 'moderate',
  story: 'unknown',
  note: '',
  ...over,
});
const graded = (grade: GradeEntry['grade'], proposed: GradeEntry['proposed'] = grade): GradeEntry => ({
  positionId: 'pin',
  version: 1,
  grade,
  proposed,
  reason: '',
  rulesRevision: 1,
  by: 'x',
  at: '',
});

const stateOf = (facts: {
  readings?: Reading[];
  findings?: Finding[];
  grades?: GradeEntry[];
  checks?: Check[];
  policy?: TooClosePolicy;
  acceptances?: Acceptance[];
}) => {
  const state = partState(
    position,
    {
      readings: facts.readings ?? [],
      // Whoever grades has looked.
      findings: facts.findings ?? (facts.grades ? [see('nothing-to-see')] : []),
      grades: facts.grades ?? [],
      gauges: [gauge],
      tooClosePolicy: facts.policy ?? 'hold',
      acceptances: facts.acceptances ?? [],
      unitType: { checks: facts.checks ?? [check] },
    },
    catalogsAsShipped(),
  );
  return { ...state, openQuestions: state.openQuestions.map(tellOpen) };
};

describe('the standing of a part', () => {
  it('is open until somebody graded it, however well it measured', () => {
    expect(stateOf({ readings: [read(15)] })).toMatchObject({
      grade: null,
      standing: 'open',
      openQuestions: ['Measured, but not looked at'],
    });
    expect(stateOf({ findings: [see('scored')], readings: [read(15)] }).openQuestions).toEqual([
      'Looked at, but not graded',
    ]);
    // Whoever looked and saw nothing has looked.
    expect(stateOf({ findings: [see('nothing-to-see')], readings: [read(15)] }).openQuestions).toEqual([
      'Looked at, but not graded',
    ]);
  });

  it('is sound or worn once it is graded and every check lies within', () => {
    expect(stateOf({ grades: [graded(0)], readings: [read(15)] })).toMatchObject({
      standing: 'sound',
      openQuestions: [],
    });
    expect(stateOf({ grades: [graded(2)], readings: [read(15)] }).standing).toBe('worn');
    expect(stateOf({ grades: [graded(3)], readings: [read(15)] }).standing).toBe('attention');
  });

  it.each([
    ['was not measured', {}, 'Diameter: not measured'],
    [
      'was too close to call',
      { readings: [read(14.931)], grades: [graded(0, 3)] },
      'Diameter: too close to call',
    ],
    [
      'has no limit',
      { readings: [read(15)], checks: [{ ...check, limits: [] }] },
      'Diameter: no limit known',
    ],
  ])('stays open when a check %s, whatever the grade', (_, facts, question) => {
    expect(stateOf({ grades: [graded(0)], ...facts })).toMatchObject({
      standing: 'open',
      openQuestions: [question],
    });
  });

  it('does not let a person grade away a measurement beyond its limit', () => {
    expect(stateOf({ grades: [graded(1, 4)], readings: [read(14.8)] }).standing).toBe('attention');
  });

  it('is not called worn for how it was set up: that proposes no grade, and keeps it from passing for sound', () => {
    const ofSetUp: Check = { ...check, limits: check.limits.map((limit) => ({ ...limit, kind: 'set-up' })) };
    const looked = { checks: [ofSetUp], readings: [read(14.8)], findings: [see('nothing-to-see')] };
    expect(stateOf(looked).proposal.grade).toBe(0);
    expect(stateOf({ ...looked, grades: [graded(0)] }).standing).toBe('attention');
    // What nobody looked at has no grade from it either.
    expect(stateOf({ checks: [ofSetUp], readings: [read(14.8)] }).proposal.grade).toBeNull();
  });

  it('asks again when worse evidence came after the grade, and not when it was known then', () => {
    const findings = [see('tang-sheared')];
    expect(stateOf({ grades: [graded(1, 1)], findings, readings: [read(15)] }).openQuestions).toEqual([
      'New evidence since it was graded',
    ]);
    expect(stateOf({ grades: [graded(1, 5)], findings, readings: [read(15)] }).openQuestions).toEqual([]);
  });

  it('counts nothing that was struck out', () => {
    const state = stateOf({
      grades: [graded(0)],
      readings: [read(14.8, { struck }), read(15)],
      findings: [see('tang-sheared', { struck }), see('nothing-to-see')],
    });
    expect(state).toMatchObject({ standing: 'sound' });
    expect(state.proposal.grade).toBe(0);
    expect(findActive([read(1), read(2, { struck })])).toHaveLength(1);
  });

  it('a grade whose evidence was all struck out rests on nothing, and the part is open again', () => {
    const state = stateOf({
      grades: [graded(0)],
      readings: [read(15)],
      findings: [see('nothing-to-see', { struck })],
    });
    expect(state.standing).toBe('open');
    expect(state.openQuestions).toContain('What was found on it was taken back; its grade rests on nothing');
  });

  it('nor does a grade count that went its way while what was seen was taken back on the device', () => {
    const state = stateOf({ grades: [graded(0)], findings: [], readings: [read(15)] });
    expect(state.standing).toBe('open');
    expect(state.openQuestions).toEqual(['What was found on it was taken back; its grade rests on nothing']);
  });

  it('keeps the readings of another part and another check out of it', () => {
    const others = [read(14.8, { positionId: 'ring' }), read(14.8, { checkId: 'length' })];
    expect(stateOf({ grades: [graded(0)], readings: [...others, read(15)] }).standing).toBe('sound');
  });
});

describe('what the eye alone says', () => {
  it('of a piece worn thin stays open until something of it is measured', () => {
    const findings = [see('worn-thin', { severity: 'severe' })];
    const open = stateOf({ grades: [graded(3)], findings });
    expect(open.proposal.grade).toBe(3);
    expect(open.openQuestions).toContain('Worn thin, by eye: to be measured');
    const measured = stateOf({ grades: [graded(3)], findings, readings: [read(15)] });
    expect(measured.openQuestions).toEqual([]);
  });
  it.each([
    ['wrong-way-round', 4],
    ['worn-thin', 2],
  ])('of “%s” is graded %i', (mode, grade) => {
    expect(stateOf({ findings: [see(mode)] }).proposal.grade).toBe(grade);
  });
});

describe('a newer revision of the rules', () => {
  // By the newer rules a piece the wrong way round is 4; by those of before it was worn, 2.
  const before = earlierCatalogs().find(([kind]) => kind === 'grade-rules')![1] as GradeRules;
  const facts = (rulesRevision: number) => ({
    readings: [read(15)],
    findings: [see('wrong-way-round')],
    ...{ grades: [{ ...graded(2), rulesRevision }], gauges: [gauge], tooClosePolicy: 'hold' as const },
    ...{ acceptances: [], unitType: { checks: [check] } },
  });
  const codes = (rulesRevision: number, rulesBefore: readonly GradeRules[]) =>
    partState(position, facts(rulesRevision), { ...catalogsAsShipped(), rulesBefore }).openQuestions.map(
      ({ code }) => code,
    );
  it('opens no grade again that was made by the rules of its time', () => {
    expect(codes(before.revision, [before])).toEqual([]);
    // A grade by today's rules is held against those.
    expect(codes(2, [before])).toEqual(['evidence-newer']);
  });
  it('counts nothing more lenient where the rules of its time can’t be had', () => {
    expect(codes(before.revision, [])).toEqual(['evidence-newer']);
  });
});

describe('a figure that no check asked for', () => {
  it('is an open question of its part: no limit judges it', () => {
    const content = {
      what: 'figure',
      positionId: 'pin',
      measured: 'Chamfer',
      raw: '0.4',
      unit: 'mm',
      gaugeId: 'm',
    };
    const record = { ...captured, id: 'x', content } as unknown as BenchRecord;
    const state = partState(
      position,
      {
        ...{ readings: [read(15)], findings: [see('nothing-to-see')], grades: [graded(0)] },
        ...{
          gauges: [gauge],
          acceptances: [],
          tooClosePolicy: 'hold',
          unitType: { checks: [check] },
          records: [record],
        },
      },
      catalogsAsShipped(),
    );
    expect(state.openQuestions.map(tellOpen)).toEqual(['Chamfer: measured, but no limit known']);
    expect(state.standing).toBe('open');
  });
});

describe('an acceptance', () => {
  // 14.931 against at least 14.93 with a gauge of two micrometres is too close to call.
  const close = read(14.931, { id: 'a' });
  const accepted = (readings: string[]): Acceptance => ({
    ...{ positionId: 'pin', checkId: 'diameter', readings, reason: 'r', by: 'Jonas', at: '' },
  });
  const open = (acceptances: Acceptance[], readings: Reading[] = [close]) =>
    stateOf({ grades: [graded(2, 3)], readings, acceptances, policy: 'accept' }).openQuestions;
  it('holds for the readings that were seen, by their ids, and for no others of the same count', () => {
    expect(open([accepted(['a'])])).toEqual([]);
    expect(open([accepted(['b'])])).toHaveLength(1);
    // One struck and another taken: as many as before, and not the ones that were seen.
    expect(open([accepted(['a'])], [read(14.931, { id: 'b' })])).toHaveLength(1);
    expect(open([accepted(['1:a'])])).toHaveLength(1);
  });
});
