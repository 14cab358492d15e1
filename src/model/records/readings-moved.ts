import * as v from 'valibot';
import { CaptureIdSchema, words } from '../ids';
import { NOTHING, recordKind } from './recordKind';

/** Readings that belong to other places than they were taken at; the readings themselves never change. */
export const readingsMoved = recordKind({
  version: 1,
  noun: 'readings put in their place',
  right: 'reading.move',
  schema: v.object({
    what: v.literal('readings-moved'),
    moves: v.pipe(
      v.array(v.object({ readingId: CaptureIdSchema, place: words(30) })),
      v.minLength(1, 'at least one reading'),
      v.maxLength(2000),
    ),
    reason: words(200, 1),
  }),
  refersTo: NOTHING,
});
