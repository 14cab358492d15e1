import type { RecordOf } from '@/model/recordKinds';

export type DepthRoad = RecordOf<'depth-figured'>['by'];

/**
 * The first stack under a pinion, mm; the pattern decides whatever it says.
 *
 * From the old stack: corrected by what the two pinions have etched (which way a plus counts is the maker's) and by the bearings' widths, a wider
 * bearing taking its part of the stack. Measured: from the ring's axis to the bare seat, less bearing and mounting distance; of a stack whose
 * thickness moves the pinion away (`sign` −1, a flanged cartridge) the sign turns.
 */
export function firstDepthStack(by: DepthRoad, sign: 1 | -1): number {
  const figure =
    by.road === 'old-shim'
      ? by.oldShim +
        (by.plusMeans === 'thicker' ? by.newEtched - by.oldEtched : by.oldEtched - by.newEtched) +
        sign * (by.oldBearing - by.newBearing)
      : sign * (by.seatToAxis - by.bearing - by.mounting);
  return Math.round(figure * 1e4) / 1e4;
}
