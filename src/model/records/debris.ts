import * as v from 'valibot';
import { words } from '../ids';
import { amount } from './fields';
import { NOTHING, recordKind } from './recordKind';

/** A piece that broke off something: it waits until its source is found. */
export const debris = recordKind({
  version: 1,
  noun: 'piece of debris',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('debris'),
    piece: words(80, 1),
    where: words(60),
    colour: v.picklist(['grey', 'yellow', 'black']),
    lengthMm: v.optional(amount(500)),
  }),
  refersTo: NOTHING,
});
