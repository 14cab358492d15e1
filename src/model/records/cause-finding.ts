import * as v from 'valibot';
import { words } from '../ids';
import { NOTHING, recordKind } from './recordKind';

/** A node of the causal network, at a place where it belongs to one. */
const nodeId = v.pipe(
  v.string(),
  v.minLength(1),
  v.maxLength(200),
  v.regex(/^[\w.·@-]+$/u, 'no node’s name'),
);

export const CAUSE_ANSWERS = ['seen', 'absent', 'cannot-tell', 'as-derived'] as const;

/** What a person says of a finding that the causes are weighed by: asked and answered, or what was worked out set aside with a reason. */
export const causeFinding = recordKind({
  version: 1,
  noun: 'answer to a question of the causes',
  right: 'capture.take',
  schema: v.variant('says', [
    v.object({
      what: v.literal('cause-finding'),
      node: nodeId,
      says: v.picklist(CAUSE_ANSWERS),
      reason: words(200),
    }),
    v.object({
      what: v.literal('cause-finding'),
      node: nodeId,
      says: v.literal('set-aside'),
      reason: words(200, 1),
    }),
  ]),
  refersTo: NOTHING,
});

/** What the inspector thinks before the ranking opens; nothing chosen: he declined to say. */
export const causeGuess = recordKind({
  version: 1,
  noun: 'guess at the cause',
  right: 'cause.note',
  schema: v.object({
    what: v.literal('cause-guess'),
    roots: v.pipe(v.array(nodeId), v.maxLength(3, 'at most three')),
    words: words(300),
  }),
  refersTo: NOTHING,
});

/** Whether a conclusion was right, by a check that doesn't rest on it. */
export const causeChecked = recordKind({
  version: 1,
  noun: 'check of a conclusion',
  right: 'cause.note',
  schema: v.object({
    what: v.literal('cause-checked'),
    /** Of the conclusion that was checked. */
    version: v.optional(v.literal(1)),
    ofVersion: v.pipe(v.number(), v.integer(), v.minValue(1)),
    confirmed: v.boolean(),
    /** What was looked at: a comeback, a rebuild that held, a laboratory. */
    check: words(300, 1),
    /** The true causes, as far as they are known: of a refuted conclusion. */
    roots: v.pipe(v.array(nodeId), v.maxLength(6)),
  }),
  refersTo: NOTHING,
});

/** From which day on the shop's settled jobs count for this one; without it those of the day it was booked. */
export const causeCounts = recordKind({
  version: 1,
  noun: 'counts that the causes start from',
  right: 'cause.note',
  schema: v.object({
    what: v.literal('cause-counts'),
    asOf: v.pipe(v.string(), v.isoTimestamp('must be a moment')),
  }),
  refersTo: NOTHING,
});
