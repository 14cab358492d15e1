import * as v from 'valibot';
import { words } from '../ids';
import { amount } from './fields';
import { NOTHING, recordKind } from './recordKind';

/** A sample of the oil is on its way to the laboratory. */
export const labSent = recordKind({
  version: 1,
  noun: 'sample that was sent',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('lab-sent'),
    sample: words(60, 1),
    distanceKm: v.optional(amount(9_999_999)),
  }),
  refersTo: NOTHING,
});
