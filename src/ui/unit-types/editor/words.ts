import type { TypeList } from '@/core/unit-type/lists';

export const LIST_WORDS: Readonly<Record<TypeList | 'unit', string>> = {
  unit: 'The unit',
  axes: 'Axes',
  bodies: 'What turns as one',
  positions: 'Parts',
  gears: 'Gears',
  meshes: 'Meshes',
  bearings: 'Bearings',
  couplings: 'Couplings',
  states: 'Gears engaged',
  stacks: 'Stacks',
  sets: 'Sets',
  checks: 'Checks',
  steps: 'Strip order',
  weaknesses: 'Known weaknesses',
  parts: 'Order codes',
};

/** Fields whose own name says too little. */
const FIELD_WORDS: Readonly<Record<string, string>> = {
  id: 'Id',
  from: 'From, mm',
  to: 'To, mm',
  origin: 'Begins at (x, y), mm',
  direction: 'Runs (x, y)',
  cut: 'Cut open on the side',
  unfolded: 'Turned into the sheet for the drawing',
  orbit: 'Goes round at, mm from the axis',
  body: 'Turns with',
  draw: 'How it is drawn',
  shape: 'Drawn as',
  bore: 'Radius of the bore, mm',
  inner: 'Inside',
  outer: 'Outside',
  radius: 'Radius, mm',
  length: 'Length, mm',
  width: 'Width, mm',
  faceWidth: 'Face width, mm',
  module: 'Module, mm',
  teeth: 'Teeth',
  helixDeg: 'Helix angle, °',
  spiralDeg: 'Spiral angle, °',
  pressureAngleDeg: 'Pressure angle, °',
  outside: 'Over the tips of its teeth, as measured, mm',
  patternAim: 'Where the contact patch should lie, by the maker’s chart',
  fromToe: 'Its middle from the toe, share of the flank',
  fromRoot: 'Its middle from the root, share of the flank',
  tolerance: 'It may be off by so much, share of the flank',
  profileShift: 'Profile shift, modules',
  centreDistance: 'Distance of the axes, mm',
  toleranceMm: 'Tolerance of that distance, mm',
  offsetMm: 'Offset, mm',
  planets: 'Planets',
  carrier: 'Carried by',
  internal: 'Teeth point inward on',
  a: 'Gear a',
  b: 'Gear b',
  ties: 'Ties together',
  engaged: 'Engaged',
  gear: 'Gear',
  outputs: 'Power leaves by',
  input: 'Power comes in by',
  share: 'Share of the load, 0 to 1',
  rollerDiameter: 'Roller diameter, mm',
  pitchDiameter: 'Pitch diameter, mm',
  contactAngleDeg: 'Contact angle, °',
  with: 'Set against',
  sign: 'Thicker makes it (1 more, −1 less)',
  thicker: 'Thicker means',
  sets: 'Sets what',
  range: 'Pieces',
  howTo: 'How it is read',
  profiles: 'Profiles, place and radius in mm',
  outlines: 'Outlines, x and y in mm',
  cavity: 'Cavity, x and y in mm',
  at: 'At (x, y), mm',
  toward: 'Toward (x, y)',
  weightKg: 'Weight, kg',
  oneUse: 'One-use',
  standardPart: 'Standard part',
  quantity: 'How many',
  count: 'Pieces',
  rows: 'Rows',
  supplies: 'Supplies',
  litres: 'Litres',
  words: 'In words',
  aim: 'Aim',
  min: 'Least',
  max: 'Most',
};

/** A field's name as a person says it: from the list above, else its own words parted. */
export const fieldWords = (name: string): string =>
  FIELD_WORDS[name] ??
  name
    .replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`)
    .replace(/^./, (first) => first.toUpperCase());

/** What an entry is called in its list. */
export function entryWords(entry: unknown, index: number): string {
  if (typeof entry !== 'object' || entry === null) return `${index + 1}`;
  const { name, title, gear, code, words, a, b, id, teeth, position, ties } = entry as Record<
    string,
    unknown
  >;
  if (typeof teeth === 'number') return `${String(position || id)}, ${teeth} teeth`;
  if (Array.isArray(ties)) return `${String(id)}: ${ties.map((end) => end || '…').join(' to ')}`;
  const said = [name, title, gear, words, id].find((each) => typeof each === 'string' && each !== '');
  if (typeof a === 'string' && typeof b === 'string') return `${a || '…'} with ${b || '…'}`;
  return typeof code === 'string' && code ? `${code} ${String(name ?? '')}` : String(said ?? index + 1);
}
