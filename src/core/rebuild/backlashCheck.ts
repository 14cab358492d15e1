import type { Check } from '@/model/checks';
import type { UnitType } from '@/model/unitType';

/** The check that asks for the backlash at a ring. */
export const backlashCheckOf = ({ checks }: Pick<UnitType, 'checks'>, ring: string): Check | undefined =>
  checks.find(
    ({ positions, title, unit }) => positions.includes(ring) && unit === 'mm' && /backlash/i.test(title),
  );
