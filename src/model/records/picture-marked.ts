import * as v from 'valibot';
import { CaptureIdSchema } from '../ids';
import { MarkSchema } from '../pictureRecord';
import { OF_PICTURE, recordKind } from './recordKind';

/** What was drawn, changed or rubbed out in one go. Two people's strokes add up; of one mark the last version counts. */
export const pictureMarked = recordKind({
  version: 1,
  noun: 'mark on a photograph',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('picture-marked'),
    photographId: CaptureIdSchema,
    put: v.pipe(v.array(MarkSchema), v.maxLength(60)),
    removed: v.pipe(v.array(CaptureIdSchema), v.maxLength(60)),
  }),
  refersTo: OF_PICTURE,
});
