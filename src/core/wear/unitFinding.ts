/* What the parts say of the unit when they are taken together, as a value. */

export const UNIT_FINDING_CODES = [
  'scuffing-every-mesh',
  'scuffing-one-mesh',
  'damage-one-shaft',
  'dents-through-bearings',
  'heat-everywhere',
  'copper-loss-several',
  'tracks-one-sided',
  'debris-through-meshes',
  'engagement-some-gears',
  'worn-all-over',
] as const;
export type UnitFindingCode = (typeof UNIT_FINDING_CODES)[number];

export interface UnitFinding {
  readonly code: UnitFindingCode;
  readonly title: string;
  readonly words: string;
  /** The parts that it rests on. */
  readonly restsOn: readonly string[];
  /** The parts that aren't looked at and can still change it. */
  readonly stillOpen: readonly string[];
}
