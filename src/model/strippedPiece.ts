import * as v from 'valibot';
import { IdSchema, VersionSchema, words } from './ids';

/** What may come off in a step of a unit that nobody has described. */
export const PIECE_KINDS = [
  'gear',
  'synchro ring',
  'sleeve or hub',
  'bearing',
  'needles',
  'bush',
  'washer',
  'shim',
  'spacer',
  'clip',
  'seal',
  'bolt',
  'shaft',
  'pin',
  'case',
] as const;
export type PieceKind = (typeof PIECE_KINDS)[number];

const pieces = v.pipe(
  v.number('a count is needed'),
  v.integer('a count is a whole number'),
  v.minValue(1, 'at least one'),
  v.maxValue(400, 'at most 400'),
);

export const StrippedPieceSchema = v.pipe(
  v.object({
    kind: v.picklist(PIECE_KINDS),
    /** Empty: called by its kind. */
    name: words(60),
    count: pieces,
    /** Each is a part of its own, with its own grade; else all of them are one part of so many pieces. */
    apart: v.optional(v.boolean(), false),
    /** Of which worn. */
    worn: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0)), 0),
    wayRound: words(120),
    /** As stamped on a bearing or a seal. */
    number: words(40),
    /** mm: inside × outside × width, as measured. */
    size: v.optional(
      v.object({
        inner: v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(2000))),
        outer: v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(2000))),
        width: v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(2000))),
      }),
    ),
  }),
  v.check(({ worn, count }) => worn <= count, 'more are worn than came off'),
  v.check(({ apart, count }) => !apart || count <= 24, 'at most 24 parts of their own at once'),
  v.check(
    ({ size }) => size?.inner === undefined || size.outer === undefined || size.inner < size.outer,
    'the inside is not smaller than the outside',
  ),
);
export type StrippedPiece = v.InferOutput<typeof StrippedPieceSchema>;

/** A step of an undescribed unit with all that came off in it. */
export const DescribeStepSchema = v.object({
  jobId: IdSchema,
  version: VersionSchema,
  title: words(160, 1),
  pieces: v.pipe(v.array(StrippedPieceSchema), v.maxLength(40, 'at most 40 kinds of pieces in a step')),
});
