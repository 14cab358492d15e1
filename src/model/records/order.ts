import * as v from 'valibot';
import { words } from '../ids';
import { NOTHING, recordKind } from './recordKind';

/** The order in which this unit came apart is better than the type's own, and why. */
export const order = recordKind({
  version: 1,
  noun: 'better order',
  right: 'capture.take',
  schema: v.object({ what: v.literal('order'), why: words(200, 1) }),
  refersTo: NOTHING,
});
