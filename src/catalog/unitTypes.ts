import * as v from 'valibot';
import { type UnitType, UnitTypeSchema } from '@/model/unitType';
import bevelBox from './unit-types/marnholt-b2.json';
import transferCase from './unit-types/orlop-t2.json';
import winchBox from './unit-types/ostrevik-w3.json';
import fiveSpeedBox from './unit-types/skell-five.json';
import transverseBox from './unit-types/skell-t5.json';
import hypoidAxle from './unit-types/torvane-hx41.json';
import lockingAxle from './unit-types/torvane-lk43.json';

let checked: readonly UnitType[] | undefined;

/** The unit types that ship with the application; a shop's own live in its database. Held against the schema once. */
export function shippedUnitTypes(): readonly UnitType[] {
  checked ??= [hypoidAxle, fiveSpeedBox, transferCase, winchBox, bevelBox, lockingAxle, transverseBox].map(
    (document) => v.parse(UnitTypeSchema, document),
  );
  return checked;
}
