import * as v from 'valibot';
import { CaptureIdSchema, IdSchema, words } from '../ids';
import { recordKind } from './recordKind';

/** How sure the link is: the faces of fracture fit; size, colour and shape speak for it; or it is only assumed. */
export const LINK_SURENESS = ['proved', 'likely', 'assumed'] as const;
export type LinkSureness = (typeof LINK_SURENESS)[number];

/** Where a piece came from; without a part it is signed as one whose source can't be found any more. */
export const match = recordKind({
  version: 2,
  noun: 'source of a piece',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('match'),
    version: v.optional(v.literal(2)),
    debrisId: CaptureIdSchema,
    positionId: v.optional(IdSchema),
    /** Left out of what was said before this was asked: such a link was taken for a proved one. */
    sure: v.optional(v.picklist(LINK_SURENESS)),
    note: words(200),
  }),
  refersTo: ({ positionId }) => (positionId ? { positions: [positionId] } : {}),
  upgrades: [(older) => older],
});
