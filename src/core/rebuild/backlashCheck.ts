import type { Check } from '@/model/checks';
import type { UnitType } from '@/model/unitType';
import { whatItReads } from '../metrology/whatItReads';

/** The check that asks for the backlash at a ring. */
export const backlashCheckOf = ({ checks }: Pick<UnitType, 'checks'>, ring: string): Check | undefined =>
  checks.find((check) => check.positions.includes(ring) && whatItReads(check) === 'backlash');
