import { describe, expect, it } from 'vitest';
import { brushMargins } from '../brushMargins';
import type { CompoundSplit } from './compound';
import { findPatch } from './patch';
import { awayFrom, gatheringOval, type Oval, ovalOf } from './patchOval';

const size = { width: 120, height: 54 };
const cells = size.width * size.height;
const at = (cell: number) => [(cell % size.width) + 0.5, Math.floor(cell / size.width) + 0.5] as const;
const drawn = (is: (x: number, y: number) => boolean) =>
  Uint8Array.from({ length: cells }, (_, cell) => (is(...at(cell)) ? 1 : 0));

/** An ellipse, not the method's own oval. */
const ellipse = ({ x, y, along, across, turn }: Oval) => {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return (px: number, py: number) =>
    (((px - x) * cos + (py - y) * sin) / along) ** 2 + (((py - y) * cos - (px - x) * sin) / across) ** 2 < 1;
};
const TRUE: Oval = { x: 62, y: 25, along: 32, across: 13, turn: 0.2 };
const patch = drawn(ellipse(TRUE));

const split = (amount: Float32Array, trust = new Float32Array(cells).fill(1)): CompoundSplit => ({
  amount,
  trust,
  metal: { red: 0.33, blue: 0.33 },
  compound: { red: 0.6, blue: 0.1 },
  contrast: 0.3,
  separation: 5,
  agreement: 0.5,
});
const differs = (mask: Uint8Array, from = patch) =>
  mask.reduce((sum, set, cell) => sum + Math.abs(set - from[cell]!), 0) /
  from.reduce((sum, set) => sum + set, 0);

describe('the oval of a patch', () => {
  it('has the middle, the axes and the turn of the ellipse that it is taken from', () => {
    const { x, y, along, across, turn } = ovalOf(patch, size);
    expect(x).toBeCloseTo(TRUE.x, 0);
    expect(y).toBeCloseTo(TRUE.y, 0);
    expect(turn).toBeCloseTo(TRUE.turn, 1);
    // Twice the standard deviation is an ellipse's half axis; the oval's own is a twentieth less.
    expect(along / TRUE.along).toBeCloseTo(0.95, 1);
    expect(across / TRUE.across).toBeCloseTo(0.95, 1);
    const away = awayFrom({ ...TRUE, turn: 0 }, size);
    expect(away[25 * size.width + 62]).toBeLessThan(0.08);
    // On its axis, half a cell beside the edge.
    expect(away[25 * size.width + 93]).toBeCloseTo(31.5 / 32, 1);
  });

  it('is found again from a start that lies beside it', () => {
    const gain = Float32Array.from(patch, (set) => (set ? 1 : -1));
    const start = { x: 50, y: 30, along: 12, across: 12, turn: 0 };
    const found = gatheringOval(gain, size, [start]);
    expect(Math.hypot(found.x - TRUE.x, found.y - TRUE.y)).toBeLessThan(1);
    expect(found.turn).toBeCloseTo(TRUE.turn, 1);
    // The area within is 3.358 times the half axes (by quadrature), an ellipse’s π times.
    const area = found.along * found.across * 3.358;
    expect(area / (Math.PI * TRUE.along * TRUE.across)).toBeCloseTo(1, 1);
  });
});

describe('the patch on a flank', () => {
  const bare = (mask: Uint8Array) => Float32Array.from(mask, (set) => (set ? 0.05 : 1));

  it('takes in a strip behind a streak, and leaves a glint’s tail that hangs on it', () => {
    const streak = (y: number) => y > 17 && y < 21;
    const tail = drawn((x, y) => Math.abs(x - y - 50) < 4 && y > 30);
    const amount = bare(patch).map((value, cell) => (tail[cell] ? 0.3 : streak(at(cell)[1]) ? 1 : value));
    const found = findPatch(split(amount), size);
    expect(differs(found)).toBeLessThan(0.08);
    // A threshold alone is off by far more than that.
    expect(differs(Uint8Array.from(amount, (value) => (value < 0.5 ? 1 : 0)))).toBeGreaterThan(0.25);
  });

  it('goes on over rust that bare metal closes in', () => {
    const hole = ellipse({ ...TRUE, x: 55, along: 14, across: 9 });
    const amount = bare(drawn((x, y) => ellipse(TRUE)(x, y) && !hole(x, y)));
    expect(differs(findPatch(split(amount), size))).toBeLessThan(0.08);
  });

  it('knows the strips that the brush left out from a patch that reaches into them', () => {
    const strip = (x: number, y: number) => y < 4 || y > 51 || x < 3;
    const low = { ...TRUE, y: 14 };
    const inside = ellipse(low);
    const margins = brushMargins(
      drawn((x, y) => strip(x, y) || inside(x, y)),
      size,
      9,
    );
    expect(margins[2 * size.width + 100]).toBe(1);
    expect(margins[10 * size.width + 62]).toBe(0);
    const found = findPatch(split(bare(drawn((x, y) => strip(x, y) || inside(x, y)))), size);
    expect(differs(found, drawn(inside))).toBeLessThan(0.12);
  });

  it('is empty where all is painted, or no more than specks are bare', () => {
    expect(findPatch(split(new Float32Array(cells).fill(1)), size).includes(1)).toBe(false);
    const specks = drawn((x, y) => Math.floor(x) % 17 === 8 && Math.floor(y) % 13 === 6);
    expect(findPatch(split(bare(specks)), size).includes(1)).toBe(false);
  });
});
