import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { amount } from './fields';
import { NOTHING, recordKind } from './recordKind';

const mm = v.pipe(v.number('a figure is needed'), v.finite(), v.minValue(-5), v.maxValue(500));
const ofPair = v.pipe(v.string(), v.minLength(1), v.maxLength(64));

export const SLEEVES = ['none', 'old', 'new', 'solid'] as const;

/** How hard it turns: the pinion alone, or all of it with the carrier in. */
export const turningTorque = recordKind({
  version: 1,
  noun: 'turning torque',
  right: 'rebuild.do',
  schema: v.object({
    what: v.literal('turning-torque'),
    pair: ofPair,
    of: v.picklist(['pinion', 'total']),
    gaugeId: IdSchema,
    /** N·m, turning steadily. */
    steady: amount(200),
    breakAway: v.optional(amount(400)),
    /** N·m, of the seal where it is in; 0: the seal is out. */
    seal: amount(20),
    bearings: v.picklist(['new', 'used']),
    /** What stands between the bearings. A new sleeve only ever goes tighter. */
    sleeve: v.picklist(SLEEVES),
    /** Turns before it was read: fresh grease and rollers settle. */
    turns: amount(1000),
    note: words(200),
  }),
  refersTo: NOTHING,
});

/** Where the depth's first shim comes from: the old one corrected, or the bare housing measured. */
export const depthFigured = recordKind({
  version: 1,
  noun: 'first figure for the depth',
  right: 'rebuild.do',
  schema: v.object({
    what: v.literal('depth-figured'),
    pair: ofPair,
    by: v.variant('road', [
      v.object({
        road: v.literal('old-shim'),
        oldShim: mm,
        /** As etched on the old and the new pinion. */
        oldEtched: mm,
        newEtched: mm,
        /** Which way the maker's figure counts: + asks for a thicker or for a thinner stack. */
        plusMeans: v.picklist(['thicker', 'thinner']),
        oldBearing: mm,
        newBearing: mm,
      }),
      v.object({
        road: v.literal('measured'),
        seatToAxis: mm,
        bearing: mm,
        mounting: mm,
      }),
    ]),
    note: words(200),
  }),
  refersTo: NOTHING,
});
