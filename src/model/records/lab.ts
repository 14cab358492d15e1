import * as v from 'valibot';
import { CaptureIdSchema, IdSchema, words } from '../ids';
import { amount } from './fields';
import { NOTHING, recordKind } from './recordKind';

/** A laboratory's figures for a sample of the oil. */
export const lab = recordKind({
  version: 2,
  noun: 'laboratory’s answer',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('lab'),
    version: v.optional(v.literal(2)),
    sample: words(60, 1),
    distanceKm: v.optional(amount(9_999_999)),
    values: v.pipe(
      v.array(v.object({ element: IdSchema, value: amount(1_000_000) })),
      v.minLength(1, 'at least one figure'),
      v.maxLength(40),
    ),
    note: words(300),
    /** The sample that this answers. */
    answersId: v.optional(CaptureIdSchema),
    /** One of the oils that limits are known of, and how far it had gone when it was drawn: without them only the trend is told. */
    oil: v.optional(IdSchema),
    oilAgeKm: v.optional(amount(9_999_999)),
  }),
  refersTo: NOTHING,
  upgrades: [(older) => older],
});
