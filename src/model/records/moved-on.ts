import * as v from 'valibot';
import { words } from '../ids';
import { pieces } from './fields';
import { NOTHING, recordKind } from './recordKind';

export const movedOn = recordKind({
  version: 1,
  noun: 'going on without the rest',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('moved-on'),
    /** How many checks of the baseline were open then. */
    open: pieces(999),
    reason: words(200),
  }),
  refersTo: NOTHING,
});
