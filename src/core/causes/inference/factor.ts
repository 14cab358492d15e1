/*
 * Tables over variables that are true or false. A table over k variables has 2^k figures; bit i of an index is the state of the i-th
 * variable (1: true). Variables stand in rising order.
 */

export interface Factor {
  readonly vars: readonly number[];
  readonly values: Float64Array;
}

export const factor = (vars: readonly number[], at: (states: readonly boolean[]) => number): Factor => {
  const order = vars.map((_, place) => place).sort((a, b) => vars[a]! - vars[b]!);
  const sorted = order.map((place) => vars[place]!);
  const values = new Float64Array(1 << vars.length);
  const states = new Array<boolean>(vars.length);
  for (let index = 0; index < values.length; index += 1) {
    for (let bit = 0; bit < order.length; bit += 1) states[order[bit]!] = ((index >> bit) & 1) === 1;
    values[index] = at(states);
  }
  return { vars: sorted, values };
};

/** Weights of one variable. */
export const single = (of: number, whenFalse: number, whenTrue: number): Factor => ({
  vars: [of],
  values: Float64Array.of(whenFalse, whenTrue),
});

/** The factor with one variable held in a state; the variable is gone from it. */
export function held({ vars, values }: Factor, of: number, state: boolean): Factor {
  const bit = vars.indexOf(of);
  if (bit < 0) return { vars, values };
  const low = (1 << bit) - 1;
  const kept = new Float64Array(values.length >> 1);
  for (let index = 0; index < kept.length; index += 1)
    kept[index] = values[((index & ~low) << 1) | (index & low) | (state ? 1 << bit : 0)]!;
  return { vars: vars.filter((each) => each !== of), values: kept };
}

/** For each index over `vars` the index over the subset `of`. */
export function indexesInto(vars: readonly number[], of: readonly number[]): Int32Array {
  const map = new Int32Array(1 << vars.length);
  const bits = of.map((each) => vars.indexOf(each));
  for (let index = 0; index < map.length; index += 1) {
    let into = 0;
    for (let bit = 0; bit < bits.length; bit += 1) into |= ((index >> bits[bit]!) & 1) << bit;
    map[index] = into;
  }
  return map;
}
