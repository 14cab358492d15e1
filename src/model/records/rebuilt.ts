import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { amount, pieces } from './fields';
import { NOTHING, recordKind } from './recordKind';

/** Of the plan’s step, or of the record of one that was added at the bench. */
const ofStep = words(60, 1);

/** A step of the strip went the other way round: its pieces are in. */
export const refitted = recordKind({
  version: 1,
  noun: 'step of the rebuild',
  right: 'rebuild.do',
  schema: v.object({ what: v.literal('refitted'), of: ofStep, note: words(300) }),
  refersTo: NOTHING,
});

/** One bolt at one stage, numbered from 0 round the circle. One that still turned at its value is out. */
export const torqued = recordKind({
  version: 1,
  noun: 'tick of a bolt',
  right: 'rebuild.do',
  schema: v.object({
    what: v.literal('torqued'),
    of: ofStep,
    bolt: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(199)),
    stage: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(9)),
    /** As a wrench told it, N·m; left out where it clicked and told nothing. */
    figure: v.optional(amount(5000)),
    held: v.boolean(),
  }),
  refersTo: NOTHING,
});

/** All bolts of a round that held at its value, in one word: where it is safe. */
export const roundTorqued = recordKind({
  version: 1,
  noun: 'tick of a round of bolts',
  right: 'rebuild.do',
  schema: v.object({
    what: v.literal('round-torqued'),
    of: ofStep,
    stage: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(9)),
    bolts: v.pipe(
      v.array(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(199))),
      v.minLength(1, 'a round has a bolt'),
      v.maxLength(200),
    ),
  }),
  refersTo: NOTHING,
});

/** Pieces that went back in, counted. */
export const countedIn = recordKind({
  version: 1,
  noun: 'count of what went back in',
  right: 'rebuild.do',
  schema: v.object({
    what: v.literal('counted-in'),
    positionId: IdSchema,
    counted: pieces(9999),
    note: words(200),
  }),
  refersTo: ({ positionId }) => ({ positions: [positionId] }),
});

/** What the next one who opens it should know: a compound, an odd shim, a trick. */
export const openerNote = recordKind({
  version: 1,
  noun: 'note to the next opener',
  right: 'rebuild.do',
  schema: v.object({ what: v.literal('opener-note'), words: words(400, 1) }),
  refersTo: NOTHING,
});
