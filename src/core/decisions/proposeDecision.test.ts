import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import type { GradeOrNone } from '@/model/damage';
import type { OpenQuestion } from '@/model/openQuestion';
import type { Position } from '@/model/unitType';
import { neverReused, neverReusedList } from './neverReused';
import { type Deciding, forbidsDecision, needsReason, proposeDecision } from './proposeDecision';

const ring: Position = { id: 'ring-gear', name: 'Ring gear', family: 'gear-teeth' };
const pinion = { name: 'Pinion', grade: 1 as const };
const words = catalogsAsShipped();
const part = (grade: GradeOrNone, over: Partial<Deciding> = {}): Deciding => ({
  ...{ position: ring, grade, mates: [], openQuestions: [], withinALimit: true, neverReuse: undefined },
  notTurned: 'its faces were not graded apart',
  ...over,
});
const carrying = (grade: GradeOrNone, mode: string, family: Position['family'] = 'gear-teeth'): Deciding =>
  part(grade, { position: { ...ring, family }, neverReuse: neverReused(family, [{ mode }], words) });

describe('proposeDecision', () => {
  it('renews one-use parts whatever their look', () => {
    expect(proposeDecision(part(0, { position: { ...ring, oneUse: true } })).decision).toBe(
      'replace-one-use',
    );
  });
  it('takes the mate along, in both directions', () => {
    expect(proposeDecision(part(4, { mates: [pinion] })).decision).toBe('replace-with-mate');
    expect(proposeDecision(part(0, { mates: [{ name: 'Pinion', grade: 5 }] })).reason).toContain('Pinion');
    expect(proposeDecision(part(4)).decision).toBe('replace');
  });
  it('lets a part go along once a person has decided “replace with mate” for its mate', () => {
    const mates = [{ ...pinion, decided: 'replace-with-mate' as const }];
    expect(proposeDecision(part(1, { mates }))).toMatchObject({
      decision: 'replace-with-mate',
      reason: 'It goes along with its mate: Pinion.',
    });
  });
  it('does not decide about what nobody graded, or what is still open', () => {
    expect(proposeDecision(part(null, { mates: [pinion] })).decision).toBe('not-decided');
    const open: OpenQuestion = { code: 'no-limit', positionId: 'p', checkId: 'c', check: 'Backlash' };
    expect(proposeDecision(part(0, { openQuestions: [open] })).decision).toBe('not-decided');
    expect(proposeDecision(part(3)).decision).toBe('not-decided');
  });
  it('keeps what is sound', () => {
    expect(proposeDecision(part(0, { mates: [pinion] })).decision).toBe('clean-reuse');
    expect(proposeDecision(part(2))).toMatchObject({ decision: 'reuse', reason: 'Worn, within its limits.' });
  });
  it('never says “within its limits” of what no limit was held against: a person decides', () => {
    expect(proposeDecision(part(2, { withinALimit: false }))).toEqual({
      decision: 'not-decided',
      reason: 'Worn by eye, and no limit is known for it: a person decides.',
    });
    expect(proposeDecision(part(1, { withinALimit: false })).reason).toBe(
      'Grade 1 by eye; no limit is known for it.',
    );
  });
  it('replaces what is never reused, however mild somebody graded it', () => {
    expect(proposeDecision(carrying(2, 'root-crack'))).toMatchObject({
      decision: 'replace',
      reason: 'It carries a crack at a root.',
    });
  });
});

describe('what binds', () => {
  it('forbids reuse of the ungraded, and of a pair whose identity nobody has settled', () => {
    expect(forbidsDecision('reuse', part(null))).toContain('not graded');
    const conflict: OpenQuestion = {
      ...{ code: 'identity-conflict', positionId: 'ring-gear', pairId: 'x', conflicts: ['splines (27)'] },
    };
    const wrong = part(1, { openQuestions: [conflict] });
    expect(forbidsDecision('reuse', wrong)).toBe(
      'Ring gear: What was counted disagrees with splines (27). Settle that first.',
    );
    expect(forbidsDecision('replace-with-mate', wrong)).toBeUndefined();
  });

  // The list of the trade, word by word; each with a family that carries it.
  it.each([
    ['root-crack', 'gear-teeth'],
    ['ring-cracked', 'synchro-ring'],
    ['shaft-crack', 'shaft-spline'],
    ['bending-fatigue-fracture', 'gear-teeth'],
    ['overload-fracture', 'gear-teeth'],
    ['fatigue-fracture', 'rolling-bearing'],
    ['forced-fracture', 'rolling-bearing'],
    ['subsurface-fatigue', 'rolling-bearing'],
    ['surface-fatigue', 'rolling-bearing'],
    ['heat-colour-blue', 'gear-teeth'],
    ['journal-blued', 'shaft-spline'],
    ['heat-colour', 'rolling-bearing'],
    ['driven-on-rollers', 'rolling-bearing'],
    ['spline-twisted', 'shaft-spline'],
    ['tang-sheared', 'bush-washer-pin'],
    ['stretched', 'fastener-seal'],
  ] as const)('forbids to use or to rework what carries “%s” (%s), whoever says so', (mode, family) => {
    for (const decision of ['reuse', 'clean-reuse', 'turn-over', 'rework'] as const)
      expect(forbidsDecision(decision, carrying(2, mode, family)), decision).toContain('cannot be reused');
    expect(forbidsDecision('replace', carrying(2, mode, family))).toBeUndefined();
  });

  it('lets a case be reworked where it may not be used as it is', () => {
    for (const mode of ['case-crack', 'seat-wire-wheeled']) {
      expect(forbidsDecision('reuse', carrying(4, mode, 'housing'))).toContain('cannot be reused');
      expect(forbidsDecision('rework', carrying(4, mode, 'housing'))).toBeUndefined();
    }
    expect(forbidsDecision('reuse', carrying(2, 'polishing'))).toBeUndefined();
  });

  it('stands in a list that can be read, each with its why', () => {
    const list = neverReusedList(words).flatMap(({ modes }) => modes);
    expect(list.length).toBeGreaterThan(20);
    expect(list.every(({ neverReuse }) => neverReuse!.why.length > 8)).toBe(true);
  });

  it('asks for a reason only where a person departs from a proposal', () => {
    expect(needsReason('reuse', 'replace-one-use')).toBe(true);
    expect(needsReason('replace', 'replace')).toBe(false);
    expect(needsReason('replace', 'not-decided')).toBe(false);
  });
});
