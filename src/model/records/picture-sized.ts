import * as v from 'valibot';
import { CaptureIdSchema, words } from '../ids';
import { pixels } from '../pictureRecord';
import { OF_PICTURE, recordKind } from './recordKind';

export const SIZED_SHAPES = ['length', 'angle', 'area'] as const;

/** A length, an angle or an area in the plane of the scale: mm, degrees, mm². */
export const pictureSized = recordKind({
  version: 1,
  noun: 'size in a photograph',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('picture-sized'),
    photographId: CaptureIdSchema,
    shape: v.picklist(SIZED_SHAPES),
    points: v.pipe(v.array(pixels), v.minLength(2), v.maxLength(60)),
    value: v.pipe(v.number(), v.minValue(0), v.finite()),
    standardUncertainty: v.pipe(v.number(), v.minValue(0), v.finite()),
    name: v.optional(words(60)),
  }),
  refersTo: OF_PICTURE,
});
