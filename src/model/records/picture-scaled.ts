import * as v from 'valibot';
import { CaptureIdSchema } from '../ids';
import { fourCorners, millimetres, pixels } from '../pictureRecord';
import { OF_PICTURE, recordKind } from './recordKind';

/** How large things are in a photograph: a flat thing of known size, or one known length looked at squarely. */
export const pictureScaled = recordKind({
  version: 1,
  noun: 'scale of a photograph',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('picture-scaled'),
    photographId: CaptureIdSchema,
    scale: v.variant('by', [
      v.object({
        by: v.literal('plane'),
        corners: fourCorners,
        width: millimetres,
        height: millimetres,
        /** How well the corners were found, pixels. */
        cornerDeviation: v.pipe(v.number(), v.minValue(0), v.maxValue(1000)),
      }),
      v.object({
        by: v.literal('length'),
        points: v.tuple([pixels, pixels]),
        length: millimetres,
        /** Half of its last digit, taken as evenly spread. */
        lengthDeviation: v.pipe(v.number(), v.minValue(0), v.maxValue(1000)),
      }),
    ]),
  }),
  refersTo: OF_PICTURE,
});
export type PictureScale = v.InferOutput<typeof pictureScaled.schema>['scale'];
