import * as v from 'valibot';
import { DaySchema } from './day';
import { IdSchema, words } from './ids';
import { UnitDecisionIdSchema } from './job';
import { AmountSchema } from './money';

/** One way that the unit can go, as the owner is offered it: the exact price, and when it is ready. */
export const SlipSchema = v.object({
  id: UnitDecisionIdSchema,
  name: words(80, 1),
  /** Without tax, and with it, in the smallest unit. */
  price: AmountSchema,
  total: AmountSchema,
  readyOn: v.optional(DaySchema),
  warrantyMonths: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(60)),
  note: words(200),
});
export type Slip = v.InferOutput<typeof SlipSchema>;

/** A single line, to take or to leave beside a way; some ways hold it already. */
export const QuoteLineSchema = v.object({
  id: IdSchema,
  name: words(80, 1),
  note: words(120),
  price: AmountSchema,
  total: AmountSchema,
  /** Ways in whose price it is. */
  within: v.pipe(v.array(UnitDecisionIdSchema), v.maxLength(5)),
});
export type QuoteLine = v.InferOutput<typeof QuoteLineSchema>;

const unique = (list: readonly { readonly id: string }[]): boolean =>
  new Set(list.map(({ id }) => id)).size === list.length;
const dearerWithTax = (list: readonly { readonly price: number; readonly total: number }[]): boolean =>
  list.every(({ price, total }) => total >= price);

export const QuoteSchema = v.object({
  sign: words(6, 1),
  digits: v.picklist([0, 2, 3]),
  taxPercent: v.pipe(v.number(), v.minValue(0), v.maxValue(60)),
  slips: v.pipe(
    v.array(SlipSchema),
    v.minLength(1, 'a quote offers something'),
    v.maxLength(5),
    v.check((list) => unique(list), 'a way stands twice'),
    v.check((list) => dearerWithTax(list), 'with tax it can’t be less'),
  ),
  /** Offers from before have none. */
  lines: v.optional(
    v.pipe(
      v.array(QuoteLineSchema),
      v.maxLength(12, 'at most twelve single lines'),
      v.check((list) => unique(list), 'a line stands twice'),
      v.check((list) => dearerWithTax(list), 'with tax it can’t be less'),
    ),
  ),
  /** Answered later than on this day, the unit is ready later. Offers from before name none. */
  daysHoldUntil: v.optional(DaySchema),
  /** What happens if nothing is done. Never a distance to failure. */
  ifNothing: words(400, 1),
});
export type Quote = v.InferOutput<typeof QuoteSchema>;

/** What was chosen: the way as it was read, the lines that were taken beside it, and what both come to with tax. */
export interface ChosenSlip extends Slip {
  readonly lines?: readonly QuoteLine[];
  /** Answers from before lines have none: the way’s own price. */
  readonly toPay?: number;
}

/** What the owner answered to a quote: the slip as he saw it, his name, when; or that he took it back. */
export interface QuoteAnswer {
  readonly id: string;
  readonly jobId: string;
  /** Of the report that he read, with its digest. */
  readonly number: number;
  readonly digest: string;
  readonly slip: ChosenSlip | null;
  readonly name: string;
  readonly question: string;
  /** What the shop replied to the question; empty until it did. */
  readonly reply: string;
  readonly repliedBy: string | null;
  readonly repliedAt: string | null;
  readonly at: string;
  readonly takenBackAt: string | null;
}
