import * as v from 'valibot';
import { IdSchema, words } from './ids';

/*
 * How a unit type is drawn. Lengths are millimetres. The sheet's x runs right, y runs down.
 */

export const mm = v.pipe(v.number(), v.finite(), v.minValue(-5000), v.maxValue(5000));
export const positiveMm = v.pipe(mm, v.gtValue(0));
export const point = v.tuple([mm, mm]);
/** A straight line of the sheet that bodies turn about. `cut` says which side is drawn cut open. */
export const AxisSchema = v.object({
  id: IdSchema,
  name: words(60, 1),
  origin: point,
  direction: point,
  cut: v.picklist(['plus', 'minus', 'both']),
  from: mm,
  to: mm,
  /** True when the axis lies elsewhere in space and was turned into the sheet for the drawing. */
  unfolded: v.optional(v.boolean()),
});
export type Axis = v.InferOutput<typeof AxisSchema>;

export const bearingKind = v.picklist(['ball', 'taper', 'roller', 'needle', 'bush']);

/** How a position is drawn. All but `outline` are bodies of revolution about the position's axis. */
export const DrawSchema = v.variant('shape', [
  v.object({
    shape: v.literal('shaft'),
    /** Steps in order along the axis; each runs from the end of the one before to `to`. */
    steps: v.array(
      v.object({
        to: mm,
        radius: positiveMm,
        spline: v.optional(v.boolean()),
        thread: v.optional(v.boolean()),
      }),
    ),
    bore: v.optional(positiveMm),
  }),
  v.object({
    shape: v.literal('gear'),
    gear: IdSchema,
    bore: v.pipe(mm, v.minValue(0)),
    /** A thinner web between hub and rim, if there is one. */
    web: v.optional(v.object({ hub: positiveMm, rim: positiveMm, width: positiveMm })),
    /** Small dog teeth for a sleeve on one side of the gear. */
    dogs: v.optional(
      v.object({
        side: v.picklist(['left', 'right']),
        radius: positiveMm,
        width: positiveMm,
        cone: v.optional(positiveMm),
      }),
    ),
  }),
  v.object({
    shape: v.literal('bevel'),
    gear: IdSchema,
    /** Where the pitch cones meet, and which way along the axis this gear lies from there. */
    apex: mm,
    lies: v.picklist(['left', 'right']),
    bore: v.pipe(mm, v.minValue(0)),
    /** Place of the flat back face along the axis. */
    back: mm,
    hub: v.optional(v.object({ radius: positiveMm, to: mm })),
    /** A pinion of one piece with its shaft is seen from outside, never cut. */
    solid: v.optional(v.boolean()),
  }),
  v.object({
    shape: v.literal('bearing'),
    kind: bearingKind,
    bore: positiveMm,
    outer: positiveMm,
    /** Where the cone of a taper bearing opens to. */
    opens: v.optional(v.picklist(['left', 'right'])),
    part: v.optional(v.picklist(['whole', 'cup', 'cone'])),
  }),
  v.object({
    shape: v.literal('ring'),
    inner: positiveMm,
    outer: positiveMm,
    tone: v.optional(v.picklist(['cut', 'solid'])),
  }),
  /** Any body of revolution: closed profiles of [place along the axis, radius]. */
  v.object({ shape: v.literal('turned'), profiles: v.array(v.array(point)), solid: v.optional(v.boolean()) }),
  v.object({
    shape: v.literal('seal'),
    inner: positiveMm,
    outer: positiveMm,
    lip: v.picklist(['left', 'right']),
  }),
  /** Closed polylines of the sheet itself, for castings and forks. */
  v.object({
    shape: v.literal('outline'),
    outlines: v.array(v.array(point)),
    cavity: v.optional(v.array(v.array(point))),
  }),
  v.object({
    shape: v.literal('bolts'),
    /** The face under the head, and the way the shank points. */
    bolts: v.array(v.object({ at: point, toward: point })),
    shank: positiveMm,
    head: positiveMm,
    length: positiveMm,
  }),
  /** A chain or belt round the wheels at two positions; its place along the axis is the position's own. */
  v.object({ shape: v.literal('chain'), around: v.tuple([IdSchema, IdSchema]) }),
  /** A pack of friction plates, keyed by turns inside and outside. */
  v.object({
    shape: v.literal('plates'),
    inner: positiveMm,
    outer: positiveMm,
    count: v.pipe(v.number(), v.integer(), v.minValue(2), v.maxValue(60)),
  }),
  /** A helical spring about the axis: mean radius of its coils, and of its wire. */
  v.object({
    shape: v.literal('spring'),
    radius: positiveMm,
    wire: positiveMm,
    coils: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(60)),
  }),
  /** A casting computed around everything that it holds, open where shafts leave it; all of it, or the part of it between two places across the sheet. */
  v.object({
    shape: v.literal('hull'),
    clearance: v.optional(positiveMm, 6),
    wall: v.optional(positiveMm, 8),
    /** Notches narrower than twice this are filled: a casting follows what it holds in long sweeps. */
    sweep: v.optional(positiveMm, 26),
    part: v.optional(v.object({ across: v.picklist(['x', 'y']), from: v.nullable(mm), to: v.nullable(mm) })),
  }),
]);
export type Draw = v.InferOutput<typeof DrawSchema>;
