import { PER_DEGREE } from './preload';

/* How much farther the carrier's bearings and the pinion's nut go, from what was read so far. Torques are N·m at the pinion, settled. */

interface Band {
  readonly min: number;
  readonly max: number;
}

export interface CarrierRead {
  /** mm more on both sides together than at the first build. */
  readonly spread: number;
  /** What the carrier's bearings add to the turning torque. */
  readonly torque: number;
  /** End float of the carrier, mm; 0 where it is tight. */
  readonly float: number;
}

/** N·m a millimetre of spread, from soft cases to stiff ones, and what is assumed until two readings tell. */
const GAIN = { soft: 6, usual: 16, stiff: 40 };
/** What of a shim becomes spread, as is usual. */
const SHARE = 0.8;
/** mm: two readings closer than this tell no gain. */
const APART = 0.015;

const middle = ({ min, max }: Band): number => (min + max) / 2;
const within = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

/** mm to add to both sides together; 0 where the carrier's preload lies in its band. */
export function nextSpread(reads: readonly CarrierRead[], band: Band): number {
  const last = reads.at(-1);
  if (!last || (last.torque >= band.min && last.torque <= band.max)) return 0;
  if (last.float > 0) return last.float / SHARE + middle(band) / GAIN.usual;
  return (middle(band) - last.torque) / gainOf(reads, last);
}

function gainOf(reads: readonly CarrierRead[], last: CarrierRead): number {
  const before = reads.findLast(
    ({ spread, torque }) => torque > 0 && Math.abs(spread - last.spread) >= APART,
  );
  if (!before || last.torque <= 0) return GAIN.usual;
  return within((last.torque - before.torque) / (last.spread - before.spread), GAIN.soft, GAIN.stiff);
}

export interface NutRead {
  /** Degrees since this sleeve went in. */
  readonly degrees: number;
  readonly torque: number;
}

/**
 * Degrees to tighten the pinion's nut by: as if the pair were stiff until two readings tell, since there is no way back. 0 where it is right,
 * undefined where it has gone past its band: then it is a new sleeve.
 */
export function nextNut(reads: readonly NutRead[], band: Band): number | undefined {
  const last = reads.at(-1);
  if (!last || (last.torque >= band.min && last.torque <= band.max)) return 0;
  if (last.torque > band.max) return undefined;
  const before = reads.findLast(({ degrees }) => degrees < last.degrees);
  const shown = before ? (last.torque - before.torque) / (last.degrees - before.degrees) : PER_DEGREE.stiff;
  const perDegree = within(shown, PER_DEGREE.soft, PER_DEGREE.stiff);
  return Math.max(0.5, Math.round(((middle(band) - last.torque) / perDegree) * 2) / 2);
}
