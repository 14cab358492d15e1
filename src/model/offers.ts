import * as v from 'valibot';
import { IdSchema, words } from './ids';
import { PriceSchema } from './money';

/* What can be ordered: who offers it, for how much, when it comes, and by what it is told from what looks like it. */

/** By what a part is told from one that looks like it: counted, or measured in mm; `within` is what two measurements may differ. */
export const IDENTITY_KEYS = [
  { id: 'pinion-teeth', name: 'pinion teeth', unit: '', within: 0 },
  { id: 'ring-teeth', name: 'ring teeth', unit: '', within: 0 },
  { id: 'splines', name: 'splines', unit: '', within: 0 },
  { id: 'bore', name: 'bore', unit: 'mm', within: 0.05 },
  { id: 'outer', name: 'outer diameter', unit: 'mm', within: 0.05 },
  { id: 'width', name: 'width', unit: 'mm', within: 0.15 },
  { id: 'ring-thickness', name: 'ring thickness against the carrier', unit: 'mm', within: 0.1 },
  // 1 for a right hand, −1 for a left hand.
  { id: 'hand', name: 'hand of rotation', unit: '', within: 0 },
] as const;
export type IdentityKey = (typeof IDENTITY_KEYS)[number]['id'];
export const IdentityKeySchema = v.picklist(IDENTITY_KEYS.map(({ id }) => id));
const figure = v.optional(v.pipe(v.number(), v.finite(), v.minValue(-1), v.maxValue(5000)));
export const IdentitySchema = v.object({
  'pinion-teeth': figure,
  'ring-teeth': figure,
  splines: figure,
  bore: figure,
  outer: figure,
  width: figure,
  'ring-thickness': figure,
  hand: figure,
} satisfies Record<IdentityKey, typeof figure>);
export type Identity = v.InferOutput<typeof IdentitySchema>;

/** How good a make is: the higher the better. */
export const TIERS = [
  { id: 1, name: 'any make, or used' },
  { id: 2, name: 'a make with a name' },
  { id: 3, name: 'the maker’s own' },
] as const;
export const TierSchema = v.picklist([1, 2, 3], 'a make is 1, 2 or 3');

export const SuppliesSchema = v.pipe(
  v.array(
    v.object({
      part: IdSchema,
      qty: v.pipe(v.number(), v.integer(), v.minValue(1, 'at least one piece'), v.maxValue(1000)),
    }),
  ),
  v.minLength(1, 'it supplies nothing'),
  v.maxLength(60, 'at most 60 parts in a kit'),
  v.check(
    (list) => new Set(list.map(({ part }) => part)).size === list.length,
    'a part stands twice in the kit',
  ),
);

const daysSchema = v.pipe(v.number(), v.integer('days are whole'), v.minValue(0), v.maxValue(365));

/** A line of a supplier's answer or of his price list, for one type of unit. */
export const OfferLineSchema = v.object({
  code: words(40, 1),
  name: words(80, 1),
  supplies: SuppliesSchema,
  price: PriceSchema,
  currency: words(6, 1),
  days: daysSchema,
  tier: TierSchema,
  stock: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000))),
  identity: v.optional(IdentitySchema, {}),
  /** The number that is printed on it, where it bears one. */
  printed: v.optional(words(60)),
});
export type OfferLine = v.InferOutput<typeof OfferLineSchema>;

export const OfferSchema = v.object({
  ...OfferLineSchema.entries,
  id: v.pipe(v.string(), v.minLength(1), v.maxLength(120)),
  supplier: words(60, 1),
  source: v.picklist(['asked', 'list', 'shelf', 'made', 'noted']),
});
export type Offer = v.InferOutput<typeof OfferSchema>;

/** What became of a price list: how much of it was taken, and why the rest wasn’t, line by line. */
export interface ListTaken {
  readonly lines: number;
  readonly unitTypes: number;
  readonly faults: readonly { readonly path: string; readonly message: string }[];
}
