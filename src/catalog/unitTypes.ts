import * as v from 'valibot';
import { type UnitType, UnitTypeSchema } from '@/model/unitType';
import fiveSpeedBox from './unit-types/skell-five.json';
import hypoidAxle from './unit-types/torvane-hx41.json';

/** The unit types that ship with the application; a shop's own live in its database. */
export const shippedUnitTypes = (): UnitType[] =>
  [hypoidAxle, fiveSpeedBox].map((document) => v.parse(UnitTypeSchema, document));
