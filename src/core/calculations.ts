import type { Calculation } from './calculation';
import { DECISIONS_CALCULATIONS } from './decisions/calculations';
import { GEARING_CALCULATIONS } from './gearing/calculations';
import { IMAGING_CALCULATIONS } from './imaging/calculations';
import { LIVES_CALCULATIONS } from './lives/calculations';
import { METROLOGY_CALCULATIONS } from './metrology/calculations';
import { PLANNING_CALCULATIONS } from './planning/calculations';
import { SETUP_CALCULATIONS } from './setup/calculations';

/** Every sum by the name under which `npm run compute` knows it. Each folder says which of its sums have one. */
export const CALCULATIONS: Readonly<Record<string, Calculation>> = {
  ...DECISIONS_CALCULATIONS,
  ...GEARING_CALCULATIONS,
  ...IMAGING_CALCULATIONS,
  ...LIVES_CALCULATIONS,
  ...METROLOGY_CALCULATIONS,
  ...PLANNING_CALCULATIONS,
  ...SETUP_CALCULATIONS,
};
