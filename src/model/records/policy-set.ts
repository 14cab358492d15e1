import * as v from 'valibot';
import { words } from '../ids';
import { NOTHING, recordKind } from './recordKind';

/** A job goes another way than the shop in one of the matters in which shops disagree; or, without a choice, the shop's way again. */
export const policySet = recordKind({
  version: 1,
  noun: 'policy of the job',
  right: 'part.decide',
  schema: v.object({
    what: v.literal('policy-set'),
    policy: v.pipe(v.string(), v.regex(/^[a-z-]{1,40}$/, 'no policy’s name')),
    choice: v.optional(v.pipe(v.string(), v.regex(/^[a-z-]{1,40}$/, 'no choice’s name'))),
    reason: words(200, 1),
  }),
  refersTo: NOTHING,
});
