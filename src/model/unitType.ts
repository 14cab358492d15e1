import * as v from 'valibot';
import { CheckPictureSchema, GAUGE_KINDS, JudgedStatisticSchema, TypicalSchema } from './checkDefinition';
import { FamilySchema } from './damage';
import { IdSchema, words } from './ids';
import { UnitSchema } from './units';

/*
 * One description per type of gearbox or axle. The section drawing, the train, inspection sheets,
 * limits, strip order, inventory, parts and rebuild all read it. Lengths are millimetres, angles degrees,
 * torques newton metres unless a field names its unit. The sheet's x runs right, y runs down.
 */

const mm = v.pipe(v.number(), v.finite(), v.minValue(-5000), v.maxValue(5000));
const positiveMm = v.pipe(mm, v.gtValue(0));
const point = v.tuple([mm, mm]);
const teeth = v.pipe(v.number(), v.integer(), v.minValue(3), v.maxValue(400));

export const UNIT_FAMILIES = [
  'countershaft',
  'hypoid-axle',
  'bevel-box',
  'transfer',
  'epicyclic',
  'combined',
  'other',
] as const;
export const UnitFamilySchema = v.picklist(UNIT_FAMILIES);
export type UnitFamily = v.InferOutput<typeof UnitFamilySchema>;

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

export const BodySchema = v.object({ id: IdSchema, name: words(60, 1), axis: v.optional(IdSchema) });

const bearingKind = v.picklist(['ball', 'taper', 'roller', 'needle', 'bush']);

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
  v.object({ shape: v.literal('chain'), around: v.tuple([IdSchema, IdSchema]) }),
]);
export type Draw = v.InferOutput<typeof DrawSchema>;

export const PositionSchema = v.object({
  id: IdSchema,
  name: words(60, 1),
  family: FamilySchema,
  body: v.optional(IdSchema),
  axis: v.optional(IdSchema),
  from: v.optional(mm),
  to: v.optional(mm),
  draw: v.optional(DrawSchema),
  quantity: v.optional(
    v.object({ rows: v.optional(v.number()), count: v.pipe(v.number(), v.integer(), v.minValue(1)) }),
  ),
  standardPart: v.optional(v.boolean()),
  oneUse: v.optional(v.boolean()),
  orientation: v.optional(words(200)),
  weightKg: v.optional(v.pipe(v.number(), v.gtValue(0))),
  /** Hints for the drawing only: which side its label stands on, and how early it earns one. */
  label: v.optional(
    v.object({
      side: v.optional(v.picklist(['top', 'bottom', 'left', 'right'])),
      rank: v.optional(v.number()),
    }),
  ),
  /** For identical pieces: the one that is drawn shows them all. */
  cautions: v.optional(v.array(IdSchema)),
});
export type Position = v.InferOutput<typeof PositionSchema>;

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
  flanks: v.optional(v.object({ drive: words(60), coast: words(60) })),
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

export const StackSchema = v.object({
  id: IdSchema,
  letter: v.pipe(v.string(), v.regex(/^[A-Z]$/, 'one capital letter')),
  position: IdSchema,
  sets: v.picklist(['depth', 'backlash', 'preload', 'float']),
  range: v.object({ min: positiveMm, max: positiveMm }),
  thicker: words(80, 1),
  sign: v.picklist([-1, 1]),
});

const finite = v.pipe(v.number(), v.finite());

export const LIMIT_KINDS = ['new', 'set-up', 'service'] as const;
export const LIMIT_SOURCES = ['maker', 'shop', 'field'] as const;

export const LimitSchema = v.pipe(
  v.object({
    kind: v.picklist(LIMIT_KINDS),
    min: v.optional(finite),
    max: v.optional(finite),
    aim: v.optional(finite),
    /** Largest difference round the circle, for a check that can be read all the way round. */
    variation: v.optional(v.pipe(finite, v.gtValue(0))),
    unit: UnitSchema,
    source: v.object({ kind: v.picklist(LIMIT_SOURCES), words: words(120, 1) }),
    /** Why the shop goes by this figure and not by the maker's, which stays beside it. */
    reason: v.optional(words(200)),
    enteredBy: v.optional(words(80)),
    enteredOn: v.optional(words(20)),
  }),
  v.check(({ min, max }) => min === undefined || max === undefined || min <= max, 'min lies above max'),
  v.check(
    ({ min, max, aim }) =>
      aim === undefined || ((min === undefined || aim >= min) && (max === undefined || aim <= max)),
    'the aim lies outside the limits',
  ),
);
export type Limit = v.InferOutput<typeof LimitSchema>;

export const CheckSchema = v.object({
  id: IdSchema,
  title: words(80, 1),
  /** The definition of the library that it was made from. */
  definition: v.optional(IdSchema),
  positions: v.pipe(v.array(IdSchema), v.minLength(1)),
  howTo: words(200, 1),
  picture: v.optional(CheckPictureSchema),
  /** Kinds of gauge that suit it; any that reads the unit, when left out. */
  gaugeKinds: v.optional(v.array(v.picklist(GAUGE_KINDS))),
  unit: UnitSchema,
  /** Places that must be measured, in order; one unnamed place when left out. */
  places: v.optional(v.array(words(30, 1))),
  /** Evenly spaced places all round that may be measured, numbered from 1: every tooth of a ring, twelve angles. */
  every: v.optional(
    v.object({
      count: v.pipe(v.number(), v.integer(), v.minValue(3), v.maxValue(400)),
      word: words(20, 1),
      /** Teeth of the mate whose own run-out shows in the series, at count/mateTeeth times a turn. */
      mateTeeth: v.optional(teeth),
    }),
  ),
  statistic: v.optional(JudgedStatisticSchema, 'mean'),
  conditions: v.optional(v.array(words(80, 1))),
  /** The backlash check whose variation a run-out forecasts. */
  forecasts: v.optional(IdSchema),
  /** The check that measures the same thing in another way: the two are compared. */
  sameAs: v.optional(IdSchema),
  temperature: v.optional(v.boolean()),
  twoPoint: v.optional(v.boolean()),
  typical: v.optional(TypicalSchema),
  safetyRelevant: v.optional(v.boolean()),
  limits: v.optional(v.array(LimitSchema), []),
});
export type Check = v.InferOutput<typeof CheckSchema>;

export const StepSchema = v.object({
  id: IdSchema,
  title: words(160, 1),
  positions: v.array(IdSchema),
  tool: v.optional(words(80)),
  torque: v.optional(
    v.object({
      min: v.number(),
      max: v.number(),
      aim: v.optional(v.number()),
      bolts: v.pipe(v.number(), v.integer(), v.minValue(1)),
      compound: v.optional(words(60)),
    }),
  ),
  cautions: v.optional(v.array(IdSchema), []),
  record: v.optional(v.array(words(60)), []),
});

export const UnitTypeSchema = v.object({
  schemaVersion: v.literal(1, 'this version of Stereotome reads unit types of schema version 1'),
  id: IdSchema,
  revision: v.pipe(v.number(), v.integer(), v.minValue(1)),
  basedOn: v.optional(v.object({ id: IdSchema, revision: v.number() })),
  title: words(80, 1),
  maker: v.optional(words(60), ''),
  family: UnitFamilySchema,
  ratios: v.optional(v.array(v.object({ tag: words(30, 1), ratio: v.pipe(v.number(), v.gtValue(0)) })), []),
  oil: v.optional(
    v.object({ kind: words(80, 1), litres: v.pipe(v.number(), v.gtValue(0)), words: words(200) }),
  ),
  sources: v.optional(v.array(words(160, 1)), []),
  axes: v.optional(v.array(AxisSchema), []),
  bodies: v.optional(v.array(BodySchema), []),
  positions: v.optional(v.pipe(v.array(PositionSchema), v.maxLength(600)), []),
  gears: v.optional(v.array(GearSchema), []),
  meshes: v.optional(v.array(MeshSchema), []),
  couplings: v.optional(v.array(CouplingSchema), []),
  states: v.optional(v.array(StateSchema), []),
  power: v.optional(PowerSchema),
  bearings: v.optional(v.array(BearingSchema), []),
  stacks: v.optional(v.array(StackSchema), []),
  sets: v.optional(
    v.array(
      v.object({ id: IdSchema, name: words(60, 1), positions: v.pipe(v.array(IdSchema), v.minLength(2)) }),
    ),
    [],
  ),
  checks: v.optional(v.array(CheckSchema), []),
  steps: v.optional(v.array(StepSchema), []),
  weaknesses: v.optional(
    v.array(
      v.object({ positions: v.array(IdSchema), words: words(240, 1), improved: v.optional(words(80)) }),
    ),
    [],
  ),
  parts: v.optional(
    v.array(
      v.object({
        code: words(40, 1),
        name: words(80, 1),
        supplies: v.array(v.object({ position: IdSchema, quantity: v.number() })),
        identity: v.optional(words(120)),
      }),
    ),
    [],
  ),
  /** Positions get ids from this counter when they are added at the bench; an id is never used twice. */
  nextPosition: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1)), 1),
});
export type UnitType = v.InferOutput<typeof UnitTypeSchema>;
