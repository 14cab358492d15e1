import * as v from 'valibot';
import { words } from './ids';

/* What is complained of, so that it can be compared with what turns and carries load: not only in words. */

export const LOADS = [
  { id: 'drive', name: 'on drive' },
  { id: 'coast', name: 'on coast' },
  { id: 'float', name: 'on a light throttle' },
  { id: 'turning', name: 'in a turn' },
] as const;
export const SOUNDS = ['whine', 'growl', 'rumble', 'knock', 'click', 'clatter', 'grinding'] as const;
export const BEATS = [
  { id: 'wheel', name: 'once per wheel turn' },
  { id: 'input', name: 'once per turn of the input' },
] as const;

type Ask = 'sounds' | 'gears' | 'loads' | 'beat' | 'speed';
interface SymptomKind {
  readonly id: string;
  readonly name: string;
  /** The questions that help with this one. */
  readonly asks: readonly Ask[];
}

export const SYMPTOMS = [
  { id: 'noise', name: 'Noise', asks: ['sounds', 'gears', 'loads', 'beat', 'speed'] },
  { id: 'pops-out', name: 'Pops out of gear', asks: ['gears', 'loads'] },
  { id: 'hard-shift', name: 'Hard or crunching shift', asks: ['gears'] },
  { id: 'no-drive', name: 'No drive', asks: ['gears'] },
  { id: 'locked', name: 'Locked', asks: ['gears'] },
  { id: 'slip', name: 'Slips', asks: ['gears', 'loads'] },
  { id: 'leak', name: 'Leaks', asks: [] },
  { id: 'heat', name: 'Runs hot', asks: ['gears', 'speed'] },
  { id: 'vibration', name: 'Vibration', asks: ['gears', 'loads', 'beat', 'speed'] },
] as const satisfies readonly SymptomKind[];

const kmh = v.pipe(
  v.number('a speed is a number'),
  v.minValue(0, 'a speed can’t be below zero'),
  v.maxValue(300, 'at most 300 km/h'),
);
const atMost = <Id extends string>(ids: readonly Id[]) =>
  v.pipe(v.array(v.picklist(ids)), v.maxLength(ids.length));

export const SymptomSchema = v.pipe(
  v.object({
    id: v.picklist(SYMPTOMS.map(({ id }) => id)),
    /** As the unit's type calls them; typed where nobody has described it. */
    gears: v.pipe(v.array(words(20, 1)), v.maxLength(30)),
    loads: atMost(LOADS.map(({ id }) => id)),
    sounds: atMost(SOUNDS),
    beat: v.optional(v.picklist(BEATS.map(({ id }) => id))),
    fromKmh: v.optional(kmh),
    toKmh: v.optional(kmh),
    /** What no question asks. */
    when: words(160),
  }),
  v.forward(
    v.check(
      ({ fromKmh = 0, toKmh = Number.POSITIVE_INFINITY }) => fromKmh <= toKmh,
      'the lower speed stands first',
    ),
    ['toKmh'],
  ),
);
export type Symptom = v.InferOutput<typeof SymptomSchema>;

/** A symptom of which nothing is said yet. */
export const NOTHING_SAID = { gears: [], loads: [], sounds: [], when: '' } satisfies Omit<Symptom, 'id'>;

/** As a file or an earlier version writes it: what it leaves out was not said. */
export const LooseSymptomSchema = v.pipe(
  v.record(v.string(), v.unknown()),
  v.transform((written) => ({ ...NOTHING_SAID, ...written })),
  SymptomSchema,
);

export const symptomKind = (id: Symptom['id']): SymptomKind & { readonly id: Symptom['id'] } =>
  SYMPTOMS.find((kind) => kind.id === id)!;

/** How a unit can look when it comes over the counter. */
export const AS_RECEIVED = [
  'whole',
  'half in pieces, in a box',
  'wet with oil outside',
  'dry outside',
  'breather blocked',
  'washed before it came',
  'case cracked or broken',
  'flange or yoke loose',
  'signs of an earlier repair',
] as const;
export const ReceivedSchema = v.object({
  signs: atMost(AS_RECEIVED),
  note: words(400),
});
export type Received = v.InferOutput<typeof ReceivedSchema>;
export const NOTHING_NOTED: Received = { signs: [], note: '' };
