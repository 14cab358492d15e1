import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { UnitSchema } from '../units';
import { NOTHING, recordKind } from './recordKind';

const finite = v.pipe(v.number('a figure is needed'), v.finite(), v.minValue(-1e6), v.maxValue(1e6));

export const PROOF_RESULTS = ['pass', 'fail', 'cant-say', 'not-fitted'] as const;
export type ProofResult = (typeof PROOF_RESULTS)[number];

/** One line of the rebuild's proof: flushed, tried, filled, run. The last word about a line counts. */
export const proved = recordKind({
  version: 1,
  noun: 'proof',
  right: 'rebuild.do',
  schema: v.object({
    what: v.literal('proved'),
    /** Of the list of proofs; of a gear's ratio with the gear behind a colon. */
    item: words(80, 1),
    result: v.picklist(PROOF_RESULTS),
    /** By the names that the line gives them, in the units that it gives. */
    figures: v.optional(v.record(words(40, 1), finite)),
    note: words(300),
  }),
  refersTo: NOTHING,
});

/** A check read once more when the unit is together again: beside what was found, never mixed with it. */
export const measuredAfter = recordKind({
  version: 1,
  noun: 'figure of the rebuilt unit',
  right: 'rebuild.do',
  schema: v.object({
    what: v.literal('measured-after'),
    checkId: IdSchema,
    positionId: IdSchema,
    place: words(30),
    raw: words(20, 1),
    unit: UnitSchema,
    /** In the base unit of the quantity. */
    value: finite,
    gaugeId: IdSchema,
    /** It hung or stood as in the vehicle while it was read. */
    asInVehicle: v.boolean(),
  }),
  refersTo: ({ checkId, positionId }) => ({
    positions: [positionId],
    checks: [{ checkId, positionId }],
  }),
});

/** Somebody who may answers for what leaves the house otherwise than it should. */
export const signedOff = recordKind({
  version: 1,
  noun: 'signature under a deviation',
  right: 'unit.decide',
  schema: v.object({
    what: v.literal('signed-off'),
    /** What is signed for: `after:check:position` or `proof:item`. */
    of: words(160, 1),
    reason: words(300, 1),
    /** The owner knows of it and wants it so; empty where the shop answers alone. */
    owner: words(80),
  }),
  refersTo: NOTHING,
});

export const RECHECK_KINDS = ['running-in', 're-check'] as const;

/** A day on which somebody looks again: the oil after running in, a bolt, a noise. */
export const recheck = recordKind({
  version: 1,
  noun: 'date for another look',
  right: 'rebuild.do',
  schema: v.object({
    what: v.literal('recheck'),
    kind: v.picklist(RECHECK_KINDS),
    on: v.pipe(v.string(), v.isoDate('a day is needed, as 2026-12-24')),
    words: words(200, 1),
  }),
  refersTo: NOTHING,
});
