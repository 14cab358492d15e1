import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { recordKind } from './recordKind';

/** Faces that a piece can be told by, and what they can look at. */
export const PIECE_FACES = [
  'chamfer',
  'shoulder',
  'oil groove',
  'lip',
  'large end',
  'small end',
  'thick side',
  'number',
] as const;
export const TOWARD = ['front', 'rear', 'left', 'right', 'up', 'down'] as const;
export const SIDES = ['left', 'right', 'front', 'rear', 'upper', 'lower'] as const;

export const step = recordKind({
  version: 1,
  noun: 'step of the strip',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('step'),
    /** A step of the plan; left out for one that was added at the bench. */
    stepId: v.optional(IdSchema),
    title: v.optional(words(160, 1)),
    skipped: v.optional(v.boolean()),
    reason: v.optional(words(200)),
    side: v.optional(v.picklist(SIDES)),
    /** Which face of it looked where. */
    orientation: v.optional(v.object({ face: v.picklist(PIECE_FACES), toward: v.picklist(TOWARD) })),
    /** The same in words, where no face above tells it. */
    wayRound: v.optional(words(120)),
    marks: v.optional(words(120)),
    adjusterTurns: v.optional(
      v.pipe(v.number('turns are a number'), v.finite(), v.minValue(-99), v.maxValue(99)),
    ),
    /** Shims as they lay, from the case inward. */
    shims: v.optional(
      v.pipe(
        v.array(
          v.object({
            positionId: IdSchema,
            thicknessMm: v.pipe(
              v.number('a thickness is needed'),
              v.gtValue(0, 'must be greater than 0'),
              v.maxValue(50),
            ),
          }),
        ),
        v.maxLength(60),
      ),
    ),
    looseWhenFound: v.optional(v.boolean()),
    lockMissing: v.optional(v.boolean()),
    note: v.optional(words(300)),
  }),
  refersTo: ({ stepId, shims = [] }) => ({
    ...(stepId ? { steps: [stepId] } : {}),
    positions: shims.map(({ positionId }) => positionId),
  }),
});
