import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { recordKind } from './recordKind';

/** What stands on a part, as it was read off it: the number of a bearing, a casting's mark, a tag. */
export const markRead = recordKind({
  version: 1,
  noun: 'mark on a part',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('mark-read'),
    positionId: IdSchema,
    mark: words(60, 1),
  }),
  refersTo: ({ positionId }) => ({ positions: [positionId] }),
});
