import * as v from 'valibot';

/** Every unit a reading may be taken in. The factors to the base unit stand in `core/quantity`. */
export const UNITS = ['mm', 'um', 'in', 'thou', 'Nm', 'lbin', 'lbft', 'degC', 'ppm', 'deg'] as const;

export const UnitSchema = v.picklist(UNITS, `must be one of ${UNITS.join(', ')}`);
export type Unit = v.InferOutput<typeof UnitSchema>;

/** As printed on the gauge. */
export const UNIT_SYMBOL: Record<Unit, string> = {
  mm: 'mm',
  um: 'µm',
  in: 'in',
  thou: 'thou',
  Nm: 'N·m',
  lbin: 'lbf·in',
  lbft: 'lbf·ft',
  degC: '°C',
  ppm: 'ppm',
  deg: '°',
};

/** The two ways in which a person may read every screen. */
export const READS_IN = ['metric', 'inch'] as const;
export const ReadsInSchema = v.picklist(READS_IN);
export type ReadsIn = v.InferOutput<typeof ReadsInSchema>;
