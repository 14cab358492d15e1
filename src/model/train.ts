import * as v from 'valibot';
import { bearingKind, mm, positiveMm } from './draw';
import { IdSchema, words } from './ids';

/*
 * What of a unit type turns and drives: teeth, where they meet, what ties bodies together, what carries them.
 * Lengths are millimetres, angles degrees.
 */

export const teeth = v.pipe(v.number(), v.integer(), v.minValue(3), v.maxValue(400));

const shareOfFlank = v.pipe(v.number(), v.minValue(0), v.maxValue(1));

/** Where the middle of the patch should lie by the maker’s chart, as shares of the flank. */
export const PatternAimSchema = v.object({
  fromToe: shareOfFlank,
  fromRoot: shareOfFlank,
  tolerance: v.pipe(v.number(), v.minValue(0.02), v.maxValue(0.5)),
});

export const GearSchema = v.object({
  id: IdSchema,
  position: IdSchema,
  teeth,
  kind: v.picklist(['spur', 'helical', 'bevel', 'hypoid', 'internal', 'worm', 'sprocket']),
  /** Normal module of cylindrical gears; module at the heel of bevel gears. */
  module: v.optional(positiveMm),
  helixDeg: v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(60))),
  spiralDeg: v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(60))),
  hand: v.optional(v.picklist(['left', 'right'])),
  pressureAngleDeg: v.optional(v.pipe(v.number(), v.minValue(10), v.maxValue(35)), 20),
  profileShift: v.optional(v.pipe(v.number(), v.minValue(-2), v.maxValue(2)), 0),
  faceWidth: positiveMm,
  /** Over the tips of its teeth, as it was measured on the bench. */
  outside: v.optional(positiveMm),
  flanks: v.optional(v.object({ drive: words(60), coast: words(60) })),
  /** Of a ring that is set up by its contact pattern. */
  patternAim: v.optional(PatternAimSchema),
});
export type Gear = v.InferOutput<typeof GearSchema>;

export const MeshSchema = v.object({
  a: IdSchema,
  b: IdSchema,
  kind: v.optional(v.picklist(['gears', 'chain', 'belt']), 'gears'),
  /** Body that carries the two axes when it turns itself (planet carrier, differential case). */
  carrier: v.optional(IdSchema),
  internal: v.optional(v.picklist(['a', 'b'])),
  /** Distance of the two axes in space, where the sheet does not show it true. */
  centreDistance: v.optional(positiveMm),
  toleranceMm: v.optional(positiveMm),
  offsetMm: v.optional(mm),
  planets: v.optional(v.pipe(v.number(), v.integer(), v.minValue(2))),
});
export type Mesh = v.InferOutput<typeof MeshSchema>;

export const CouplingSchema = v.object({
  id: IdSchema,
  kind: v.picklist(['sleeve', 'clutch', 'band', 'sprag', 'spline', 'lock']),
  ties: v.tuple([IdSchema, IdSchema]),
  position: v.optional(IdSchema),
});
export const StateSchema = v.object({
  gear: words(20, 1),
  engaged: v.array(IdSchema),
  note: v.optional(words(120)),
});

/** Where power comes in and where it leaves, with the share of the load that each output takes. */
export const PowerSchema = v.object({
  input: IdSchema,
  outputs: v.pipe(
    v.array(v.object({ body: IdSchema, share: v.pipe(v.number(), v.gtValue(0), v.maxValue(1)) })),
    v.minLength(1),
  ),
});

export const BearingSchema = v.object({
  id: IdSchema,
  kind: bearingKind,
  inner: IdSchema,
  outer: IdSchema,
  rollers: v.optional(v.pipe(v.number(), v.integer(), v.minValue(3))),
  rollerDiameter: v.optional(positiveMm),
  pitchDiameter: v.optional(positiveMm),
  contactAngleDeg: v.optional(v.number()),
  setup: v.picklist(['fixed', 'preloaded', 'floating']),
  with: v.optional(IdSchema),
  positions: v.array(IdSchema),
});
