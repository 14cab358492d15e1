import { describe, expect, it } from 'vitest';
import type { Grade } from '@/model/damage';
import { gradersAgreement, tellAgreement } from './gradersAgreement';

describe('how far two graders agree', () => {
  /*
   * By hand, quadratic weights 1 − (d/5)². First 0 1 2 3 4 5, second 0 1 2 3 4 4: five the same, one off by one, so the weighted
   * agreement is (5 + 0.96)/6 = 0.993 333. By chance: over all 36 pairs of first and second Σ(1 − d²/25)/36 with
   * second 0 1 2 3 4 4: Σd² = Σ over first a, second b: 6·Σa² + 6·Σb² − 2·Σa·Σb = 6·55 + 6·46 − 2·15·14 = 186, so 1 − 186/25/36 = 0.793 333.
   * κ = (0.993 333 − 0.793 333)/(1 − 0.793 333) = 0.967 742.
   */
  it('is weighted kappa, as worked out by hand', () => {
    const told = gradersAgreement([0, 1, 2, 3, 4, 5], [0, 1, 2, 3, 4, 4]);
    expect(told).toMatchObject({ pairs: 6, same: 5 });
    expect(told.kappa).toBeCloseTo(0.967742, 6);
    expect(told.interval![0]).toBeLessThan(told.kappa!);
    expect(told.interval![1]).toBeLessThanOrEqual(1);
  });

  it('says nothing from too few, and nothing where one grade was all that anybody gave', () => {
    const few: Grade[] = [1, 2, 3];
    expect(gradersAgreement(few, few)).toEqual({ pairs: 3, same: 3 });
    expect(gradersAgreement([2, 2, 2, 2, 2], [2, 2, 2, 2, 2])).toEqual({ pairs: 5, same: 5 });
    expect(tellAgreement({ pairs: 5, same: 5 })).toContain('too few, or too alike');
    expect(tellAgreement({ pairs: 0, same: 0 })).toBe('nothing graded twice yet');
  });

  it('claims no interval where all were the same: it would be of no width', () => {
    const all: Grade[] = [0, 1, 2, 3, 4];
    expect(gradersAgreement(all, all)).toEqual({ pairs: 5, same: 5, kappa: 1 });
  });
});
