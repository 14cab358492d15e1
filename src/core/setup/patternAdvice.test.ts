import { describe, expect, it } from 'vitest';
import { patternAdvice } from './patternAdvice';

/** Shares of the flank per mm of move, as they are usual: written here again by hand. */
const USUAL = {
  depth: { drive: { length: -1.6, height: -1.4 }, coast: { length: 1.6, height: -1.4 } },
  backlash: { drive: { length: 1.3, height: 0.4 }, coast: { length: 1.3, height: 0.4 } },
};

const IDEAL = { length: 0.45, height: 0.5 };
const at = (depth: number, backlash: number) => {
  const { depth: d, backlash: b } = USUAL;
  const place = (flank: 'drive' | 'coast') => ({
    length: IDEAL.length + depth * d[flank].length + backlash * b[flank].length,
    height: IDEAL.height + depth * d[flank].height + backlash * b[flank].height,
  });
  return { drive: place('drive'), coast: place('coast'), ideal: IDEAL, tolerance: 0.05 };
};

describe('what to move', () => {
  it('takes back exactly what was moved', () => {
    const advice = patternAdvice(at(0.12, -0.08));
    expect(advice.depthMove).toBeCloseTo(-0.12, 9);
    expect(advice.backlashMove).toBeCloseTo(0.08, 9);
    expect(advice.residual).toBeCloseTo(0, 9);
    expect(advice.verdict).toBe('move');
    expect(advice.text).toContain('Pinion 0.12 mm away from the ring, backlash 0.08 mm more');
    expect(advice.text).toContain('by the default sensitivities');
    expect(advice.text).toContain('maker’s own chart');
  });

  it('follows the trade’s rules of thumb in its signs', () => {
    // Pinion too far out: both to the top, drive to the heel, coast to the toe: it has to go in.
    const out = patternAdvice({
      ...{ drive: { length: 0.6, height: 0.7 }, coast: { length: 0.3, height: 0.7 } },
      ...{ ideal: IDEAL, tolerance: 0.05 },
    });
    expect(out.depthMove).toBeGreaterThan(0.05);
    expect(Math.abs(out.backlashMove)).toBeLessThan(0.05);
    // Backlash too wide: both to the heel and a little up: less of it.
    const wide = patternAdvice({
      ...{ drive: { length: 0.6, height: 0.54 }, coast: { length: 0.6, height: 0.54 } },
      ...{ ideal: IDEAL, tolerance: 0.05 },
    });
    expect(wide.backlashMove).toBeLessThan(-0.05);
    expect(Math.abs(wide.depthMove)).toBeLessThan(0.05);
  });

  it('keeps what lies within its tolerance, and says where no move explains what is seen', () => {
    const keep = patternAdvice(at(0.01, 0.01));
    expect([keep.verdict, keep.depthMove, keep.backlashMove]).toEqual(['keep', 0, 0]);
    // Drive to the top and coast to the root: neither depth nor backlash does that.
    const odd = patternAdvice({
      ...{ drive: { length: 0.45, height: 0.8 }, coast: { length: 0.45, height: 0.2 } },
      ...{ ideal: IDEAL, tolerance: 0.08 },
    });
    expect(odd.verdict).toBe('contradictory');
    // By hand: both rows of height cancel, so nothing is moved and √((0.3² + 0.3²)/4) is left.
    expect(odd.residual).toBeCloseTo(Math.sqrt((0.09 + 0.09) / 4), 2);
  });

  it('goes by what this unit has shown, and refuses sensitivities that tell nothing apart', () => {
    const own = {
      depth: { drive: { length: -1, height: -1 }, coast: { length: 1, height: -1 } },
      backlash: USUAL.backlash,
    };
    const advice = patternAdvice({ ...at(0.1, 0), sensitivities: own });
    expect(advice.text).toContain('by this unit’s own sensitivities');
    expect(() =>
      patternAdvice({ ...at(0.1, 0), sensitivities: { depth: own.depth, backlash: own.depth } }),
    ).toThrow('can’t tell');
  });
});
