import { describe, expect, it } from 'vitest';
import { type BestOfSeveralInput, bestOfSeveral, NEW } from '@/core/planning/bestOfSeveral';
import { seeded } from './seeded';

/** Every build there is, looked at one by one. */
function bruteForce({
  positions,
  sets = [],
  candidates,
  worstGrade = 2,
  newPrices = {},
}: BestOfSeveralInput) {
  const units = [...new Set(candidates.map(({ unit }) => unit)), NEW];
  let best: { cost: number; grades: number } | undefined;
  const build: string[] = [];
  const look = () => {
    let [cost, grades] = [0, 0];
    for (const [at, unit] of build.entries()) {
      const position = positions[at]!;
      if (unit === NEW) {
        if (newPrices[position] === undefined) return;
        cost += newPrices[position];
        continue;
      }
      const piece = candidates.find((each) => each.unit === unit && each.position === position);
      if (!piece || piece.grade > worstGrade) return;
      cost += piece.price ?? 0;
      grades += piece.grade;
    }
    if (sets.some((set) => new Set(set.map((position) => build[positions.indexOf(position)])).size > 1))
      return;
    if (!best || cost < best.cost || (cost === best.cost && grades < best.grades)) best = { cost, grades };
  };
  const walk = (at: number) => {
    if (at === positions.length) return look();
    for (const unit of units) {
      build[at] = unit;
      walk(at + 1);
    }
    build.length = at;
  };
  walk(0);
  return best;
}

describe('one good unit from several', () => {
  it('is what looking at every build finds, on 500 small cases', () => {
    let built = 0;
    for (let seed = 1; seed <= 500; seed += 1) {
      const { whole, chance } = seeded(seed);
      const positions = ['a', 'b', 'c', 'd', 'e'].slice(0, whole(1, 5));
      const input: BestOfSeveralInput = {
        positions,
        sets:
          positions.length > 2 && chance(0.6)
            ? [positions.slice(0, 2), ...(chance(0.3) ? [positions.slice(1, 3)] : [])]
            : [],
        candidates: ['one', 'two', 'three'].flatMap((unit) =>
          positions
            .filter(() => chance(0.8))
            .map((position) => ({ unit, position, grade: whole(0, 4), price: whole(0, 3) * 10 })),
        ),
        newPrices: Object.fromEntries(
          positions.filter(() => chance(0.7)).map((each) => [each, whole(1, 6) * 10]),
        ),
      };
      const best = bruteForce(input);
      if (!best) {
        expect(() => bestOfSeveral(input), `case ${seed}`).toThrow('good enough');
        continue;
      }
      built += 1;
      const found = bestOfSeveral(input);
      expect(found.cost, `case ${seed}`).toBe(best.cost);
      const grades = found.build.reduce(
        (sum, { unit, position }) =>
          sum +
          (input.candidates.find((each) => each.unit === unit && each.position === position)?.grade ?? 0),
        0,
      );
      expect(grades, `case ${seed}`).toBe(best.grades);
    }
    expect(built).toBeGreaterThan(200);
  });

  it('of two alike takes the one with less of its life behind it', () => {
    const piece = { position: 'a', grade: 1, price: 5 };
    const found = bestOfSeveral({
      positions: ['a'],
      candidates: [
        { ...piece, unit: 'old', lifeUsed: 0.7 },
        { ...piece, unit: 'young', lifeUsed: 0.2 },
      ],
    });
    expect(found).toEqual({ build: [{ position: 'a', unit: 'young' }], cost: 5, provenOptimal: true });
  });

  it('refuses a piece of no position, and two pieces of one unit for one position', () => {
    const piece = { unit: 'one', position: 'a', grade: 1 };
    expect(() => bestOfSeveral({ positions: ['b'], candidates: [piece] })).toThrow('none of the positions');
    expect(() => bestOfSeveral({ positions: ['a'], candidates: [piece, piece] })).toThrow('two pieces');
  });
});
