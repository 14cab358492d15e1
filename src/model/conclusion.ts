import * as v from 'valibot';

/* What a conclusion rests on, as it was when it was made: which causes were chosen, and all that the program knew then. */

const nodeId = v.pipe(v.string(), v.minLength(1), v.maxLength(200));
const probability = v.pipe(v.number(), v.minValue(0), v.maxValue(1));

export const ConclusionSchema = v.object({
  /** The chosen causes, at their places where they belong to one. */
  roots: v.pipe(v.array(nodeId), v.maxLength(4, 'at most four causes')),
  networkRevision: v.pipe(v.number(), v.integer(), v.minValue(1)),
  /** The rates that were used, where they weren't the shipped ones. */
  rates: v.optional(v.record(v.string(), probability), {}),
  /** What the ranking said then. */
  ranking: v.pipe(v.array(v.object({ id: nodeId, probability })), v.maxLength(20)),
  findings: v.record(v.string(), v.boolean()),
  soft: v.record(v.string(), v.pipe(v.number(), v.gtValue(0), v.finite())),
  /** Why it differs from the ranking, where it does. */
  reason: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(300)), ''),
});
export type Conclusion = v.InferOutput<typeof ConclusionSchema>;
