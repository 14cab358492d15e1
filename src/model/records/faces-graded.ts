import * as v from 'valibot';
import { GradeSchema } from '../damage';
import { IdSchema } from '../ids';
import { recordKind } from './recordKind';

/** Why a part isn't turned over, however good its other face. */
export const NO_TURNING = [
  { id: 'loaded-both-ways', words: 'it is loaded both ways' },
  { id: 'one-faced', words: 'its lining is on one face alone' },
  { id: 'one-sided-groove', words: 'its groove is on one side' },
  { id: 'dished', words: 'it is dished' },
  { id: 'slotted', words: 'it is slotted' },
] as const;

/** The worn face and the other one, each by itself: what decides whether it may be turned over. The last of a part holds. */
export const facesGraded = recordKind({
  version: 1,
  noun: 'grade of both faces',
  right: 'grade.set',
  schema: v.object({
    what: v.literal('faces-graded'),
    positionId: IdSchema,
    worn: GradeSchema,
    other: GradeSchema,
    noTurning: v.optional(v.picklist(NO_TURNING.map(({ id }) => id))),
  }),
  refersTo: ({ positionId }) => ({ positions: [positionId] }),
});
