import * as v from 'valibot';
import { words } from '../ids';
import { NOTHING, recordKind } from './recordKind';

/** A capture that the shop's computer could not store was given up on a device, and why: it is told that there was one. */
export const givenUp = recordKind({
  version: 1,
  noun: 'capture that was given up',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('given-up'),
    kind: words(20, 1),
    message: words(300),
    reason: words(200, 1),
  }),
  refersTo: NOTHING,
});
