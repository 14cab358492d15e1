/** The lists of a unit type that its editor walks through, in the order in which a unit is described. */
export const TYPE_LISTS = [
  'axes',
  'bodies',
  'positions',
  'gears',
  'meshes',
  'bearings',
  'couplings',
  'states',
  'stacks',
  'sets',
  'checks',
  'steps',
  'weaknesses',
  'parts',
] as const;
export type TypeList = (typeof TYPE_LISTS)[number];

/** What an id at a place of the description names; places without their numbers, `*` for the items of a list of ids. */
export const REFERENCES: Readonly<Record<string, TypeList>> = {
  'bodies.axis': 'axes',
  'positions.body': 'bodies',
  'positions.axis': 'axes',
  'positions.draw.gear': 'gears',
  'positions.draw.around.*': 'positions',
  'gears.position': 'positions',
  'meshes.a': 'gears',
  'meshes.b': 'gears',
  'meshes.carrier': 'bodies',
  'bearings.inner': 'bodies',
  'bearings.outer': 'bodies',
  'bearings.with': 'bearings',
  'bearings.positions.*': 'positions',
  'couplings.ties.*': 'bodies',
  'couplings.position': 'positions',
  'states.engaged.*': 'couplings',
  'power.input': 'bodies',
  'power.outputs.body': 'bodies',
  'stacks.position': 'positions',
  'sets.positions.*': 'positions',
  'checks.positions.*': 'positions',
  'checks.forecasts': 'checks',
  'checks.sameAs': 'checks',
  'steps.positions.*': 'positions',
  'weaknesses.positions.*': 'positions',
  'parts.supplies.position': 'positions',
};

export type Path = readonly (string | number)[];

/** A place of the description without its numbers, as `REFERENCES` names it. */
export const patternOf = (path: Path, value: unknown): string => {
  const last = path.at(-1);
  const words = path.filter((step) => typeof step === 'string');
  return [...words, ...(typeof last === 'number' && typeof value === 'string' ? ['*'] : [])].join('.');
};
