import * as v from 'valibot';
import { QuoteSchema } from '../quote';
import { NOTHING, recordKind } from './recordKind';

/** What the owner is offered; it stands in the next issue of the report, and a later one takes its place. */
export const quoteMade = recordKind({
  version: 1,
  noun: 'quote',
  final: true,
  right: 'quote.send',
  schema: v.object({ what: v.literal('quote-made'), ...QuoteSchema.entries }),
  refersTo: NOTHING,
});
