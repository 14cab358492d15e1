import * as v from 'valibot';
import { BadInput } from '../badInput';
import { finite, whole } from '../fields';
import type { CoverProgram, Solve, Solved, SolveOptions } from './solveProgram.mjs';

/** Above this the sums of the solver lose their last digits. */
const DEAREST = 1e9;

const id = v.pipe(v.string(), v.minLength(1), v.maxLength(120));
const price = v.pipe(
  finite,
  v.gtValue(0, 'a price must be greater than 0'),
  v.maxValue(DEAREST, 'a price can’t be above 1e9'),
);
const quantity = v.object({ part: id, qty: whole(1, 10_000) });

export const PartsPlanInputSchema = v.object({
  needs: v.pipe(v.array(quantity), v.maxLength(500)),
  offers: v.pipe(
    v.array(
      v.object({
        ...{ id, price, days: v.pipe(finite, v.minValue(0)), tier: finite },
        stock: v.optional(whole(0, 1_000_000)),
        /** Who sends it, where sending costs by sender. */
        source: v.optional(id),
        supplies: v.pipe(v.array(quantity), v.minLength(1, 'an offer supplies something')),
      }),
    ),
    v.maxLength(2000),
  ),
  /** What a sender takes once, however much comes from him. */
  freights: v.optional(v.record(id, v.pipe(finite, v.minValue(0), v.maxValue(DEAREST))), {}),
  together: v.optional(v.array(v.tuple([id, id])), []),
  deadlineDays: v.optional(v.pipe(finite, v.minValue(0))),
  minimumTier: v.optional(finite),
  objective: v.optional(v.picklist(['cost', 'days', 'tier']), 'cost'),
});
export type PartsPlanInput = v.InferInput<typeof PartsPlanInputSchema>;
type Asked = v.InferOutput<typeof PartsPlanInputSchema>;
type Offer = Asked['offers'][number];

export const PartsPlanOutputSchema = v.object({
  feasible: v.boolean(),
  chosen: v.array(v.object({ id: v.string(), count: v.number() })),
  cost: v.nullable(v.number()),
  days: v.nullable(v.number()),
  leftOver: v.array(v.object({ part: v.string(), qty: v.number() })),
  provenOptimal: v.boolean(),
  uncoverable: v.optional(v.array(v.string())),
});
export interface PartsPlan extends v.InferOutput<typeof PartsPlanOutputSchema> {
  /** No plan of this kind costs less; undefined where nobody knows. */
  readonly bound?: number | undefined;
}

/**
 * The offers that cover every need at least cost, soonest, or at the best quality (a higher tier is better). Soonest and best are settled
 * first, at least cost among what is left. One currency throughout. `leftOver` is every surplus, also of parts that nobody needs.
 * @throws BadInput where ids stand twice or a pair names a part that is not needed
 */
export async function partsPlan(
  raw: PartsPlanInput,
  solve: Solve,
  options?: SolveOptions,
): Promise<PartsPlan> {
  const asked = v.parse(PartsPlanInputSchema, raw);
  refuseTwice(asked);
  const needs = summed(asked.needs);
  const allowed = asked.offers
    .filter(
      ({ days, tier }) =>
        days <= (asked.deadlineDays ?? Number.POSITIVE_INFINITY) &&
        tier >= (asked.minimumTier ?? Number.NEGATIVE_INFINITY),
    )
    .map((offer) => weighed(offer, needs));
  const lacking = uncovered(needs, asked.together, allowed);
  if (lacking.length > 0) return { ...NOTHING, uncoverable: lacking };
  const offers = narrowed(
    allowed,
    asked.objective,
    (some) => uncovered(needs, asked.together, some).length === 0,
  );
  if (needs.size === 0 && asked.together.length === 0)
    return planOf([], needs, { proved: true, bound: 0 }, {});
  const solved = await solve(programOf(needs, asked, offers), options);
  if (!solved.values) return { ...NOTHING, provenOptimal: false };
  const chosen = offers.flatMap((offer, index) => {
    const count = solved.values![index]!;
    return count > 0 ? [{ offer, count }] : [];
  });
  return planOf(chosen, needs, solved, asked.freights);
}

const NOTHING: PartsPlan = {
  ...{ feasible: false, chosen: [], cost: null, days: null, leftOver: [], provenOptimal: true },
};

type Needs = ReadonlyMap<string, number>;
type Together = Asked['together'];

/** An offer with what all its lines give of each part, and the most of it that is ever of use: as much as covers all by itself. */
interface Weighed extends Offer {
  readonly gives: ReadonlyMap<string, number>;
  readonly most: number;
}

function weighed(offer: Offer, needs: Needs): Weighed {
  const gives = summed(offer.supplies);
  const enough = [...gives].map(([part, qty]) => Math.ceil((needs.get(part) ?? 0) / qty));
  const most = Math.min(offer.stock ?? Number.POSITIVE_INFINITY, Math.max(0, ...enough));
  return { ...offer, gives, most };
}

function refuseTwice({ offers, needs, together }: Asked): void {
  offers.forEach(({ id: own }, at) => {
    if (offers.findIndex((other) => other.id === own) !== at)
      throw new BadInput(`offers.${at}.id`, `“${own}” stands twice`);
  });
  together.forEach((pair, at) => {
    const unknown = pair.find((part) => !needs.some((need) => need.part === part));
    if (unknown !== undefined) throw new BadInput(`together.${at}`, `“${unknown}” is not needed`);
  });
}

function summed(list: readonly { readonly part: string; readonly qty: number }[]): Map<string, number> {
  const sums = new Map<string, number>();
  for (const { part, qty } of list) sums.set(part, (sums.get(part) ?? 0) + qty);
  return sums;
}

/** What can't be had even if all there is were ordered. */
function uncovered(needs: Needs, together: Together, offers: readonly Weighed[]): string[] {
  const short = [...needs].flatMap(([part, qty]) => {
    const there = offers.reduce((sum, { most, gives }) => sum + most * (gives.get(part) ?? 0), 0);
    return there < qty ? [part] : [];
  });
  const apart = together.flatMap(([a, b]) =>
    offers.some(({ most, gives }) => most > 0 && gives.has(a) && gives.has(b)) ? [] : [a, b],
  );
  return [...new Set([...short, ...apart])];
}

/** Only as late, or only as good, as is needed: covering gets no worse with more offers, so that the limit is found one by one. */
function narrowed(
  offers: readonly Weighed[],
  objective: Asked['objective'],
  covers: (some: readonly Weighed[]) => boolean,
): readonly Weighed[] {
  if (objective === 'cost') return offers;
  const worth = ({ days, tier }: Offer) => (objective === 'days' ? -days : tier);
  const limits = [...new Set(offers.map(worth))].sort((a, b) => b - a);
  for (const limit of limits) {
    const some = offers.filter((offer) => worth(offer) >= limit);
    if (covers(some)) return some;
  }
  return offers;
}

function programOf(
  needs: Needs,
  { together, freights }: Pick<Asked, 'together' | 'freights'>,
  offers: readonly Weighed[],
): CoverProgram {
  const row = (counts: readonly number[], least: number) => {
    const columns = counts.flatMap((count, index) => (count > 0 ? [index] : []));
    return { columns, factors: columns.map((index) => counts[index]!), least };
  };
  const upper = offers.map(({ most }) => most);
  const senders = [
    ...new Set(offers.flatMap(({ source }) => (source && (freights[source] ?? 0) > 0 ? [source] : []))),
  ];
  return {
    costs: [...offers.map((offer) => offer.price), ...senders.map((sender) => freights[sender]!)],
    upper: [...upper, ...senders.map(() => 1)],
    rows: [
      ...[...needs].map(([part, qty]) =>
        row(
          offers.map(({ gives }) => gives.get(part) ?? 0),
          qty,
        ),
      ),
      ...together.map(([a, b]) =>
        row(
          offers.map(({ gives }) => (gives.has(a) && gives.has(b) ? 1 : 0)),
          1,
        ),
      ),
      // Nothing comes from a sender whose way isn't paid.
      ...offers.flatMap(({ source }, index) => {
        const sender = senders.indexOf(source ?? '');
        if (sender < 0 || upper[index] === 0) return [];
        return [{ columns: [index, offers.length + sender], factors: [-1, upper[index]!], least: 0 }];
      }),
    ],
  };
}

function planOf(
  chosen: readonly { readonly offer: Weighed; readonly count: number }[],
  needs: Needs,
  { proved, bound }: Pick<Solved, 'proved' | 'bound'>,
  freights: Asked['freights'],
): PartsPlan {
  const senders = new Set(chosen.flatMap(({ offer }) => offer.source ?? []));
  const got = new Map<string, number>();
  for (const { offer, count } of chosen)
    for (const [part, qty] of offer.gives) got.set(part, (got.get(part) ?? 0) + qty * count);
  return {
    feasible: true,
    chosen: chosen.map(({ offer, count }) => ({ id: offer.id, count })),
    cost:
      chosen.reduce((sum, { offer, count }) => sum + offer.price * count, 0) +
      [...senders].reduce((sum, sender) => sum + (freights[sender] ?? 0), 0),
    days: chosen.reduce((latest, { offer }) => Math.max(latest, offer.days), 0),
    leftOver: [...got].flatMap(([part, qty]) => {
      const surplus = qty - (needs.get(part) ?? 0);
      return surplus > 0 ? [{ part, qty: surplus }] : [];
    }),
    provenOptimal: proved,
    bound,
  };
}
