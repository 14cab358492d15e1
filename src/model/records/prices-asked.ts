import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { AmountSchema, PriceSchema } from '../money';
import { IdentityKeySchema, IdentitySchema, OfferSchema, SuppliesSchema, TierSchema } from '../offers';
import { NOTHING, recordKind } from './recordKind';

const parts = (supplies: readonly { readonly part: string }[]) => supplies.map(({ part }) => part);

/** Suppliers were asked what the parts of this unit cost; their answers come by themselves. */
export const pricesAsked = recordKind({
  version: 1,
  noun: 'question for prices',
  right: 'order.keep',
  schema: v.object({ what: v.literal('prices-asked'), note: words(200) }),
  refersTo: NOTHING,
});

/** A price that somebody was told, or for which a part would be made; with the drawing that goes along. */
export const offerNoted = recordKind({
  version: 1,
  noun: 'offer',
  right: 'order.keep',
  schema: v.object({
    what: v.literal('offer-noted'),
    supplier: words(60, 1),
    name: words(80, 1),
    supplies: SuppliesSchema,
    price: PriceSchema,
    days: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(365)),
    tier: TierSchema,
    identity: v.optional(IdentitySchema, {}),
    printed: v.optional(words(60)),
    /** Made for this unit: by which drawing, of what, how hard. */
    made: v.optional(v.object({ drawing: IdSchema, material: words(80, 1), hardness: words(40) })),
  }),
  refersTo: ({ supplies, made }) => ({
    positions: parts(supplies),
    ...(made ? { photographs: [made.drawing] } : {}),
  }),
});

/** Counted or measured on the old part, so that the new one can be held against it. */
export const identityMeasured = recordKind({
  version: 1,
  noun: 'count or size',
  right: 'identity.measure',
  schema: v.object({
    what: v.literal('identity-measured'),
    positionId: IdSchema,
    key: IdentityKeySchema,
    value: v.pipe(v.number(), v.finite(), v.minValue(-1), v.maxValue(5000)),
  }),
  refersTo: ({ positionId }) => ({ positions: [positionId] }),
});

/** What was ordered from one supplier, line by line as it was offered. */
export const partsOrdered = recordKind({
  version: 1,
  noun: 'order',
  final: true,
  right: 'order.keep',
  schema: v.object({
    what: v.literal('parts-ordered'),
    supplier: words(60, 1),
    lines: v.pipe(
      v.array(
        v.object({
          offer: OfferSchema,
          count: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1000)),
        }),
      ),
      v.minLength(1, 'an order has a line'),
      v.maxLength(120),
    ),
    freight: AmountSchema,
    note: words(300),
  }),
  refersTo: ({ lines }) => ({ positions: lines.flatMap(({ offer }) => parts(offer.supplies)) }),
});

/** An old part went, after the new one was compared with it; or goes back to the customer. */
export const partScrapped = recordKind({
  version: 1,
  noun: 'old part’s end',
  final: true,
  right: 'order.keep',
  schema: v.object({
    what: v.literal('part-scrapped'),
    positionId: IdSchema,
    where: v.picklist(['scrap', 'customer']),
  }),
  refersTo: ({ positionId }) => ({ positions: [positionId] }),
});

/** What an exchange or used unit would cost, as somebody was told. */
export const exchangeNoted = recordKind({
  version: 1,
  noun: 'price of an exchange unit',
  right: 'order.keep',
  schema: v.object({
    what: v.literal('exchange-noted'),
    supplier: words(60, 1),
    price: PriceSchema,
    days: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(365)),
  }),
  refersTo: NOTHING,
});

/** The supplier won't send it, or isn't to: what was ordered is to be ordered again. */
export const orderCancelled = recordKind({
  version: 1,
  noun: 'end of an order',
  final: true,
  right: 'order.keep',
  schema: v.object({
    what: v.literal('order-cancelled'),
    orderId: v.pipe(v.string(), v.maxLength(60)),
    reason: words(200, 1),
  }),
  refersTo: NOTHING,
});
