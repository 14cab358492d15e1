import * as v from 'valibot';
import { DaySchema } from '../day';
import { words } from '../ids';
import { STATIONS } from '../job';
import { NOTHING, recordKind } from './recordKind';

/** The job waits: why, at which station, who has to act, and until when it is expected to. */
export const held = recordKind({
  version: 1,
  noun: 'hold',
  right: 'job.hold',
  schema: v.object({
    what: v.literal('held'),
    reason: words(200, 1),
    station: v.picklist(STATIONS.map(({ id }) => id)),
    /** Whose turn it is: a person, a supplier, the customer. */
    whoActs: words(80),
    /** What is to be done next. */
    next: v.optional(words(120)),
    /** A day of the shop. */
    until: v.optional(DaySchema),
  }),
  refersTo: NOTHING,
});
