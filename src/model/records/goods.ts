import * as v from 'valibot';
import { DaySchema } from '../day';
import { words } from '../ids';
import { IdentitySchema } from '../offers';
import { NOTHING, recordKind } from './recordKind';

/* What came of an order's line, and what became of it. */

const ofLine = {
  orderId: v.pipe(v.string(), v.maxLength(60)),
  /** Which line of the order, from 0. */
  line: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(119)),
};

/** By what it is told from what looks like it. */
const asItCame = {
  identity: v.optional(IdentitySchema, {}),
  /** The number printed on it; empty where it bears none, left out where nobody looked. */
  printed: v.optional(words(60)),
  /** In what else it isn't what was ordered, in words: another make, another seal. */
  otherwise: v.optional(words(120)),
};

/** What came in of an order's line: counted, measured, compared. */
export const goodsIn = recordKind({
  version: 1,
  noun: 'arrival',
  final: true,
  right: 'order.keep',
  schema: v.object({
    ...{ what: v.literal('goods-in'), ...ofLine, ...asItCame },
    count: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1000)),
    /** Looked at by a person beside the old part. */
    compared: v.boolean(),
    note: words(200),
  }),
  refersTo: NOTHING,
});

/** What had come in before was laid beside the old part. */
export const goodsCompared = recordKind({
  version: 1,
  noun: 'comparison with the old part',
  final: true,
  right: 'order.keep',
  schema: v.object({ what: v.literal('goods-compared'), ...ofLine, ...asItCame }),
  refersTo: NOTHING,
});

/** Pieces of a line go back to who sent them. */
export const goodsBack = recordKind({
  version: 1,
  noun: 'return',
  final: true,
  right: 'order.keep',
  schema: v.object({
    ...{ what: v.literal('goods-back'), ...ofLine },
    count: v.pipe(v.number(), v.integer(), v.minValue(1, 'at least one piece goes back'), v.maxValue(1000)),
    reason: words(200, 1),
  }),
  refersTo: NOTHING,
});

/** What isn't what was ordered is used all the same: somebody answers for it. */
export const goodsTaken = recordKind({
  version: 1,
  noun: 'word for a part that differs',
  final: true,
  right: 'part.decide',
  schema: v.object({ what: v.literal('goods-taken'), ...ofLine, reason: words(200, 1) }),
  refersTo: NOTHING,
});

/** The supplier names another day. */
export const orderMoved = recordKind({
  version: 1,
  noun: 'new day of an order',
  final: true,
  right: 'order.keep',
  schema: v.object({
    what: v.literal('order-moved'),
    orderId: v.pipe(v.string(), v.maxLength(60)),
    on: DaySchema,
    note: words(200),
  }),
  refersTo: NOTHING,
});
