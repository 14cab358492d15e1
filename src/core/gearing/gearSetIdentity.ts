import * as v from 'valibot';
import { BadInput } from '../badInput';
import { positive, teeth, whole } from '../fields';

const pair = v.object({ pinion: teeth, ring: teeth });
export const GearSetIdentityInputSchema = v.object({
  pinionTeeth: teeth,
  ringTeeth: teeth,
  /** As etched or cast: two counts, or the text itself, for example `11/41`. */
  marked: v.optional(v.union([pair, v.pipe(v.string(), v.maxLength(40))])),
  /** The number of the set as it stands on each of the two gears: the two must be the same. */
  pinionSet: v.optional(v.pipe(v.string(), v.maxLength(40))),
  ringSet: v.optional(v.pipe(v.string(), v.maxLength(40))),
  tagRatio: v.optional(positive),
  expected: v.optional(v.array(pair)),
  splines: v.optional(v.object({ counted: whole(0, 500), required: whole(0, 500) })),
});
export type GearSetIdentityInput = v.InferOutput<typeof GearSetIdentityInputSchema>;

const figure = v.union([v.number(), v.string()]);
export const GearSetIdentityOutputSchema = v.object({
  ratio: v.number(),
  commonFactor: v.number(),
  conflicts: v.array(v.object({ what: v.string(), counted: figure, stated: figure })),
  matches: v.array(pair),
});
export type GearSetIdentity = v.InferOutput<typeof GearSetIdentityOutputSchema>;

/**
 * The teeth that were counted against what is marked, tagged and expected. A tag agrees when the counted ratio rounds
 * to it at the tag's own decimals. A pair with a common factor above 1 meets the same teeth again and again: its match
 * marks matter.
 * @throws BadInput when a marking holds no two numbers
 */
export function gearSetIdentity({
  pinionTeeth,
  ringTeeth,
  marked,
  pinionSet = '',
  ringSet = '',
  tagRatio,
  expected,
  splines,
}: GearSetIdentityInput): GearSetIdentity {
  const ratio = ringTeeth / pinionTeeth;
  const stated = marked === undefined ? undefined : typeof marked === 'string' ? readMarking(marked) : marked;
  const matches = (expected ?? []).filter(({ pinion, ring }) => pinion === pinionTeeth && ring === ringTeeth);
  const conflicts: GearSetIdentity['conflicts'] = [];
  const compare = (what: string, counted: number, against: number | undefined) => {
    if (against !== undefined && counted !== against) conflicts.push({ what, counted, stated: against });
  };
  compare('pinion teeth marked', pinionTeeth, stated?.pinion);
  compare('ring teeth marked', ringTeeth, stated?.ring);
  if (tagRatio !== undefined && !roundsTo(ratio, tagRatio))
    conflicts.push({ what: 'ratio on the tag', counted: Math.round(ratio * 1e4) / 1e4, stated: tagRatio });
  if (expected && expected.length > 0 && matches.length === 0) {
    conflicts.push({
      what: 'pairs of this unit type',
      counted: `${pinionTeeth}/${ringTeeth}`,
      stated: expected.map(({ pinion, ring }) => `${pinion}/${ring}`).join(', '),
    });
  }
  compare('splines', splines?.counted ?? 0, splines?.required);
  if (pinionSet !== '' && ringSet !== '' && bare(pinionSet) !== bare(ringSet))
    conflicts.push({ what: 'set number on the ring', counted: pinionSet, stated: ringSet });
  return { ratio, commonFactor: greatestCommonDivisor(pinionTeeth, ringTeeth), conflicts, matches };
}

/** A set number without what people write between its figures. */
const bare = (marking: string): string => marking.toUpperCase().replace(/[^\p{L}\p{N}]/gu, '');

/** Two counts in a marking, whichever stands first: the pinion has the fewer. */
function readMarking(text: string): { pinion: number; ring: number } {
  const counts = [...text.matchAll(/\d+/g)].map(([digits]) => Number(digits));
  if (counts.length !== 2) throw new BadInput('marked', `“${text}” holds no two tooth counts`);
  return { pinion: Math.min(...counts), ring: Math.max(...counts) };
}

function roundsTo(ratio: number, tag: number): boolean {
  const decimals = String(tag).split('.')[1]?.length ?? 0;
  return Math.abs(ratio - tag) <= 0.5 * 10 ** -decimals + 1e-9;
}

export function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}
