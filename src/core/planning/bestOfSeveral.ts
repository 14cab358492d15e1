import * as v from 'valibot';
import { BadInput } from '../badInput';
import { finite, notNegative } from '../fields';

const id = v.pipe(v.string(), v.minLength(1), v.maxLength(120));
const grade = v.pipe(finite, v.integer(), v.minValue(0), v.maxValue(5));

export const BestOfSeveralInputSchema = v.object({
  positions: v.pipe(v.array(id), v.minLength(1), v.maxLength(600)),
  sets: v.optional(v.array(v.pipe(v.array(id), v.minLength(1))), []),
  candidates: v.pipe(
    v.array(
      v.object({
        ...{ unit: id, position: id, grade },
        /** The share of its life that is behind it. */
        lifeUsed: v.optional(notNegative, 0),
        price: v.optional(notNegative, 0),
      }),
    ),
    v.maxLength(20_000),
  ),
  worstGrade: v.optional(grade, 2),
  newPrices: v.optional(v.record(v.string(), notNegative), {}),
});
export type BestOfSeveralInput = v.InferInput<typeof BestOfSeveralInputSchema>;
type Asked = v.InferOutput<typeof BestOfSeveralInputSchema>;

export const BestOfSeveralOutputSchema = v.object({
  build: v.array(v.object({ position: v.string(), unit: v.string() })),
  cost: v.number(),
  provenOptimal: v.boolean(),
});
export type BestOfSeveral = v.InferOutput<typeof BestOfSeveralOutputSchema>;

export const NEW = 'new';

/**
 * The best unit that can be built from several of one type and from new pieces: at least cost, on a tie with the lowest sum of grades
 * (a new piece counts as 0), then with the least life used. A set comes whole from one unit or all new; sets that share a piece are one.
 * Sets don't bind each other, so that each is settled by looking at all its choices, which is the proof.
 * @throws BadInput where a position has no piece that is good enough and no price for a new one, or a unit offers two for one position
 */
export function bestOfSeveral(raw: BestOfSeveralInput): BestOfSeveral {
  const asked = v.parse(BestOfSeveralInputSchema, raw);
  const pieces = piecesOf(asked);
  const settled = groupsOf(asked).map((group) => cheapest(group, pieces, asked));
  const taken = new Map(
    settled.flatMap(({ group, unit }) => group.map((position) => [position, unit] as const)),
  );
  return {
    build: asked.positions.map((position) => ({ position, unit: taken.get(position)! })),
    cost: settled.reduce((sum, { cost }) => sum + cost, 0),
    provenOptimal: true,
  };
}

type Candidate = Asked['candidates'][number];
type Pieces = ReadonlyMap<string, ReadonlyMap<string, Candidate>>;

/** By unit and position, those that are good enough. */
function piecesOf({ positions, candidates, worstGrade }: Asked): Pieces {
  const units = new Map<string, Map<string, Candidate>>();
  const seen = new Set<string>();
  candidates.forEach((candidate, at) => {
    const { unit, position } = candidate;
    if (!positions.includes(position))
      throw new BadInput(`candidates.${at}.position`, `“${position}” is none of the positions`);
    if (unit === NEW) throw new BadInput(`candidates.${at}.unit`, 'a unit can’t be called “new”');
    const key = JSON.stringify([unit, position]);
    if (seen.has(key)) throw new BadInput(`candidates.${at}`, `${unit} offers two pieces for “${position}”`);
    seen.add(key);
    if (candidate.grade > worstGrade) return;
    units.set(unit, (units.get(unit) ?? new Map()).set(position, candidate));
  });
  return units;
}

/** Sets that share a piece are one; what is in none stands by itself. */
function groupsOf({ positions, sets }: Asked): string[][] {
  const groups: Set<string>[] = [];
  sets.forEach((set, at) => {
    const unknown = set.find((position) => !positions.includes(position));
    if (unknown !== undefined) throw new BadInput(`sets.${at}`, `“${unknown}” is none of the positions`);
    const touching = groups.filter((group) => set.some((position) => group.has(position)));
    for (const group of touching) groups.splice(groups.indexOf(group), 1);
    groups.push(new Set([...touching.flatMap((group) => [...group]), ...set]));
  });
  const bound = new Set(groups.flatMap((group) => [...group]));
  return [
    ...groups.map((group) => [...group]),
    ...[...new Set(positions)].filter((position) => !bound.has(position)).map((position) => [position]),
  ];
}

interface Choice {
  readonly group: readonly string[];
  readonly unit: string;
  readonly cost: number;
  readonly grades: number;
  readonly lifeUsed: number;
}

function cheapest(group: readonly string[], pieces: Pieces, { newPrices }: Asked): Choice {
  const used = [...pieces].flatMap(([unit, own]): Choice[] => {
    const found = group.flatMap((position) => own.get(position) ?? []);
    if (found.length < group.length) return [];
    const sum = (of: (candidate: Candidate) => number) => found.reduce((total, each) => total + of(each), 0);
    return [
      {
        ...{ group, unit, cost: sum(({ price }) => price), grades: sum((each) => each.grade) },
        lifeUsed: sum((each) => each.lifeUsed),
      },
    ];
  });
  const prices = group.map((position) => newPrices[position]);
  const isSold = prices.every((price) => price !== undefined);
  const whole: Choice[] = isSold
    ? [{ group, unit: NEW, cost: prices.reduce((a, b) => a + b, 0), grades: 0, lifeUsed: 0 }]
    : [];
  const [best] = [...used, ...whole].sort(
    (a, b) => a.cost - b.cost || a.grades - b.grades || a.lifeUsed - b.lifeUsed,
  );
  if (!best)
    throw new BadInput(
      'candidates',
      `for ${group.join(', ')} no unit has ${group.length > 1 ? 'the whole set' : 'a piece'} that is good enough, and no new one has a price`,
    );
  return best;
}
