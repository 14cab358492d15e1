import * as v from 'valibot';
import { notNegative, positive, whole } from '../fields';

export const TorqueStagesInputSchema = v.object({
  bolts: whole(1, 200),
  aim: positive,
  stages: v.optional(
    v.pipe(
      v.array(positive),
      v.minLength(1, 'at least one stage'),
      v.check(
        (stages) => stages.every((stage, index) => index === 0 || stage > stages[index - 1]!),
        'each stage must be higher than the one before',
      ),
    ),
    [0.3, 0.6, 1],
  ),
  wrench: v.optional(
    v.pipe(
      v.object({ min: notNegative, max: positive }),
      v.check(({ min, max }) => min <= max, 'min lies above max'),
    ),
  ),
});
export type TorqueStagesInput = v.InferOutput<typeof TorqueStagesInputSchema>;
export const TorqueStagesOutputSchema = v.object({
  order: v.array(v.number()),
  stages: v.array(v.object({ torque: v.number(), order: v.array(v.number()) })),
  wrenchOk: v.optional(v.boolean()),
});
export type TorqueStages = v.InferOutput<typeof TorqueStagesOutputSchema>;

/** A wrench is trusted between these shares of its range. */
const TRUSTED = { from: 0.2, to: 0.95 };

/**
 * Stages and star order for a ring of bolts, numbered from 0 round the circle. Every bolt once a stage; from eight bolts
 * on no two neighbours in a row. The wrench must hold the last stage within 20–95 % of its range; earlier stages may use
 * another one. Torques in the unit of `aim`.
 */
export function torqueStages({ bolts, aim, stages, wrench }: TorqueStagesInput): TorqueStages {
  const order = starOrder(bolts);
  return {
    order,
    stages: stages.map((share) => ({ torque: aim * share, order })),
    ...(wrench ? { wrenchOk: wrenchHolds(aim * stages.at(-1)!, wrench) } : {}),
  };
}

/** Whether a wrench may be trusted with a value: within its range, and between a fifth and nineteen twentieths of its end. */
export const wrenchHolds = (
  value: number,
  { min, max }: { readonly min: number; readonly max: number },
): boolean => value >= min && value >= TRUSTED.from * max && value <= TRUSTED.to * max;

/**
 * An even ring is tightened pair by opposite pair; between pairs it goes on with that bolt of the next pair which lies
 * farther off, which is a quarter of the circle at least. An odd ring is walked in steps of nearly half the circle.
 */
function starOrder(bolts: number): number[] {
  if (bolts % 2 === 1)
    return Array.from({ length: bolts }, (_, index) => (index * ((bolts - 1) / 2)) % bolts);
  const half = bolts / 2;
  const order: number[] = [];
  for (const pair of bisected(half)) {
    const from = order.at(-1) ?? pair + half;
    const [near, far] =
      apart(from, pair, bolts) >= apart(from, pair + half, bolts) ? [pair + half, pair] : [pair, pair + half];
    order.push(far, near);
  }
  return order;
}

const apart = (a: number, b: number, bolts: number): number =>
  Math.min((a - b + bolts) % bolts, (b - a + bolts) % bolts);

/** 0…n−1 so that the load spreads evenly early: 0, the middle, the quarters, and so on. */
function bisected(n: number): number[] {
  const seen = new Set<number>([0]);
  for (let parts = 2; seen.size < n; parts *= 2) {
    for (let part = 1; part < parts; part += 2) seen.add(Math.floor((part * n) / parts));
  }
  return [...seen];
}
