/** A little source of chance that gives the same again for the same seed. */
export function seeded(seed: number) {
  let state = (seed * 2_654_435_761) >>> 0 || 1;
  const next = () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 4_294_967_296;
  };
  const whole = (from: number, to: number): number => from + Math.floor(next() * (to - from + 1));
  return {
    whole,
    chance: (p: number): boolean => next() < p,
    pick: <T>(list: readonly T[]): T => list[whole(0, list.length - 1)]!,
  };
}
