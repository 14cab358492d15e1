import type { UnitType } from '@/model/unitType';
import { Refusal } from '../refusal';

/** The next revision of a job's own type. A type that other jobs share is never changed under them. */
export function ownTypeOf(unitType: UnitType): UnitType {
  if (!unitType.id.startsWith('own-')) {
    throw new Refusal(
      'bad-input',
      'This unit type is shared. Parts are described in a unit that was booked in as not described yet.',
    );
  }
  return { ...unitType, revision: unitType.revision + 1 };
}
