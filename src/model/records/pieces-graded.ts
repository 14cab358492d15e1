import * as v from 'valibot';
import { GradeSchema } from '../damage';
import { IdSchema } from '../ids';
import { recordKind } from './recordKind';

/** Several pieces lie in one place: how many of them are of which grade. The last of a place holds. */
export const piecesGraded = recordKind({
  version: 1,
  noun: 'grade of single pieces',
  right: 'grade.set',
  schema: v.object({
    what: v.literal('pieces-graded'),
    positionId: IdSchema,
    pieces: v.pipe(
      v.array(
        v.object({
          grade: GradeSchema,
          count: v.pipe(v.number(), v.integer(), v.minValue(1, 'at least one'), v.maxValue(500)),
        }),
      ),
      v.minLength(1, 'no piece is graded'),
      v.maxLength(6),
      v.check(
        (pieces) => new Set(pieces.map(({ grade }) => grade)).size === pieces.length,
        'a grade stands twice',
      ),
    ),
  }),
  refersTo: ({ positionId }) => ({ positions: [positionId] }),
});
