import * as v from 'valibot';
import { words } from './ids';

/** Above this nobody has paid for a part, and sums lose their last digits. */
export const DEAREST = 1_000_000_000;

/** An amount in the smallest unit of the shop's one currency. */
export const AmountSchema = v.pipe(
  v.number('an amount is a number'),
  v.integer('an amount is a whole number of the smallest unit'),
  v.minValue(0, 'an amount can’t be negative'),
  v.maxValue(DEAREST, 'an amount can’t be above 1 000 000 000'),
);
export const PriceSchema = v.pipe(AmountSchema, v.minValue(1, 'a price must be greater than 0'));

const months = v.pipe(
  v.number(),
  v.integer('months are whole'),
  v.minValue(0),
  v.maxValue(60, 'at most 60 months'),
);

/** In what a shop counts its money. */
export const MoneySchema = v.object({
  sign: words(6, 1),
  /** Of the currency: 2 where a hundred of the smallest make one. */
  digits: v.picklist([0, 2, 3]),
  taxPercent: v.pipe(v.number(), v.minValue(0), v.maxValue(60, 'at most 60 %')),
  /** Of an hour's work, without tax. */
  hourPrice: AmountSchema,
  /** Months of warranty that the shop gives, by what becomes of a unit. */
  warranty: v.object({
    repair: months,
    'repair-preventive': months,
    exchange: months,
    'best-of-several': months,
    scrap: v.optional(months, 0),
  }),
});
export type Money = v.InferOutput<typeof MoneySchema>;

export const USUAL_MONEY: Money = {
  sign: 'kr',
  digits: 2,
  taxPercent: 25,
  hourPrice: 62_000,
  warranty: { repair: 12, 'repair-preventive': 18, exchange: 24, 'best-of-several': 6, scrap: 0 },
};
