import * as v from 'valibot';
import { CheckSchema } from './checks';
import { FamilySchema } from './damage';
import { AxisSchema, DrawSchema, mm, positiveMm } from './draw';
import { IdSchema, words } from './ids';
import { PartKindSchema } from './partKinds';
import { BearingSchema, CouplingSchema, GearSchema, MeshSchema, PowerSchema, StateSchema } from './train';

/*
 * One description per type of gearbox or axle. The section drawing, the train, inspection sheets,
 * limits, strip order, inventory, parts and rebuild all read it. Lengths are millimetres, angles degrees,
 * torques newton metres unless a field names its unit. The sheet's x runs right, y runs down.
 */

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

export const BodySchema = v.object({ id: IdSchema, name: words(60, 1), axis: v.optional(IdSchema) });

export const PositionSchema = v.object({
  id: IdSchema,
  name: words(60, 1),
  family: FamilySchema,
  /** What kind of part it is, where its family doesn’t say what may be done with it. */
  kind: v.optional(PartKindSchema),
  body: v.optional(IdSchema),
  axis: v.optional(IdSchema),
  from: v.optional(mm),
  to: v.optional(mm),
  /** Distance of its own middle line from the axis that it goes round: planets, their pins and needles. */
  orbit: v.optional(positiveMm),
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
  /** Threaded: which way the ring goes when it is tightened, the thread's pitch, and its lock notches. */
  adjuster: v.optional(
    v.object({
      tightened: v.picklist(['toward', 'away']),
      pitchMm: v.pipe(v.number(), v.gtValue(0), v.maxValue(10)),
      notches: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(200)),
    }),
  ),
  /** For identical pieces: the one that is drawn shows them all. */
  cautions: v.optional(v.array(IdSchema)),
});
export type Position = v.InferOutput<typeof PositionSchema>;

export const StackSchema = v.object({
  id: IdSchema,
  letter: v.pipe(v.string(), v.regex(/^[A-Z]$/, 'one capital letter')),
  position: IdSchema,
  sets: v.picklist(['depth', 'backlash', 'preload', 'float']),
  range: v.object({ min: positiveMm, max: positiveMm }),
  thicker: words(80, 1),
  sign: v.picklist([-1, 1]),
  /** The check that reads what it sets. */
  check: v.optional(IdSchema),
});

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
      /** Turned on by so many degrees after the last stage: the figure is then no torque. */
      plusDeg: v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(360))),
      leftHand: v.optional(v.boolean()),
      /** What keeps it from coming loose, beside compound: a lock tab, a wire. */
      lock: v.optional(words(60)),
      newBolts: v.optional(v.boolean()),
      /**
       * What its bolts hold: the case and what closes it, or a wheel, a shaft or a bearing. Of the second each is ticked alone in the last
       * round; so it is where nobody has said.
       */
      holds: v.optional(v.picklist(['case', 'wheel-or-shaft'])),
    }),
  ),
  cautions: v.optional(v.array(IdSchema), []),
  record: v.optional(v.array(words(60)), []),
});

/** A list of a description: no unit that a bench can lift has more of anything. */
const few = <Schema extends v.GenericSchema>(schema: Schema) =>
  v.pipe(v.array(schema), v.maxLength(800, 'at most 800 of them'));

/** How the id of a type begins that belongs to one job. Whether one does is told by its row, never by this. */
export const OWN_PREFIX = 'own-';

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
  axes: v.optional(few(AxisSchema), []),
  bodies: v.optional(few(BodySchema), []),
  positions: v.optional(v.pipe(v.array(PositionSchema), v.maxLength(600)), []),
  gears: v.optional(few(GearSchema), []),
  meshes: v.optional(few(MeshSchema), []),
  couplings: v.optional(few(CouplingSchema), []),
  states: v.optional(few(StateSchema), []),
  power: v.optional(PowerSchema),
  bearings: v.optional(few(BearingSchema), []),
  stacks: v.optional(few(StackSchema), []),
  sets: v.optional(
    v.array(
      v.object({ id: IdSchema, name: words(60, 1), positions: v.pipe(v.array(IdSchema), v.minLength(2)) }),
    ),
    [],
  ),
  checks: v.optional(v.pipe(v.array(CheckSchema), v.maxLength(2000, 'at most 2000 checks')), []),
  steps: v.optional(few(StepSchema), []),
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
