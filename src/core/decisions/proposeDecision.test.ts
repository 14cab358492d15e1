import { describe, expect, it } from 'vitest';
import type { Position } from '@/model/unitType';
import { forbidsDecision, needsReason, proposeDecision } from './proposeDecision';

const part: Position = { id: 'ring-gear', name: 'Ring gear', family: 'gear-teeth' };
const pinion = { name: 'Pinion', grade: 1 as const };

describe('proposeDecision', () => {
  it('renews one-use parts whatever their look', () => {
    expect(proposeDecision({ ...part, oneUse: true }, 0, [], []).decision).toBe('replace-one-use');
  });
  it('takes the mate along, in both directions', () => {
    expect(proposeDecision(part, 4, [pinion], [])).toMatchObject({ decision: 'replace-with-mate' });
    expect(proposeDecision(part, 0, [{ name: 'Pinion', grade: 5 }], []).reason).toContain('Pinion');
    expect(proposeDecision(part, 4, [], []).decision).toBe('replace');
  });
  it('does not decide about what nobody looked at, or what is still open', () => {
    expect(proposeDecision(part, null, [pinion], []).decision).toBe('not-decided');
    expect(
      proposeDecision(
        part,
        0,
        [],
        [{ code: 'no-limit', positionId: 'part', checkId: 'backlash', check: 'Backlash' }],
      ).decision,
    ).toBe('not-decided');
    expect(proposeDecision(part, 3, [], []).decision).toBe('not-decided');
  });
  it('keeps what is sound', () => {
    expect(proposeDecision(part, 0, [pinion], []).decision).toBe('clean-reuse');
    expect(proposeDecision(part, 2, [], []).decision).toBe('reuse');
  });
});

describe('what binds', () => {
  it('forbids reuse of the unseen, the cracked and the spalled', () => {
    expect(forbidsDecision('reuse', part, null, [])).toContain('not looked at');
    expect(forbidsDecision('clean-reuse', part, 5, ['root-crack'])).toContain('crack');
    expect(forbidsDecision('turn-over', part, 4, ['subsurface-fatigue'])).toContain('spall');
    expect(forbidsDecision('replace', part, null, [])).toBeUndefined();
    expect(forbidsDecision('reuse', part, 2, ['polishing'])).toBeUndefined();
  });
  it('asks for a reason only where a person departs from a proposal', () => {
    expect(needsReason('reuse', 'replace-one-use')).toBe(true);
    expect(needsReason('replace', 'replace')).toBe(false);
    expect(needsReason('replace', 'not-decided')).toBe(false);
  });
});
