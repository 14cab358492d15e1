import { type Identity, type Offer, TIERS } from '@/model/offers';
import { type Compared, compareIdentity, whyBarred } from './fits';
import type { Need, Needs } from './needs';
import { type PartsPlan, partsPlan } from './partsPlan';
import type { Solve } from './solveProgram.mjs';

export const OBJECTIVES = ['cost', 'days', 'tier'] as const;
export type Objective = (typeof OBJECTIVES)[number];

export interface PlanLine {
  readonly offer: Offer;
  readonly count: number;
  /** By what the part is told from one like it, beside what the bench has. */
  readonly compared: readonly Compared[];
}

export interface JobPlan {
  readonly objective: Objective;
  readonly feasible: boolean;
  /** Names of what can't be had. */
  readonly uncoverable: readonly string[];
  /** Of them, parts that could be ordered once they were counted. */
  readonly toCount: readonly string[];
  readonly lines: readonly PlanLine[];
  readonly parts: number;
  readonly freight: number;
  readonly days: number;
  readonly leftOver: readonly { readonly name: string; readonly qty: number }[];
  /** Nothing better of its kind exists, and that was proved. */
  readonly proved: boolean;
  /** Where it wasn't: it may be so much dearer than the best. */
  readonly gap: number | undefined;
  /** A cheaper one that can't be ordered, and why. */
  readonly barred?: {
    readonly total: number;
    readonly lines: readonly (PlanLine & { readonly why: string })[];
  };
}

export interface PlanFacts extends Needs {
  readonly offers: readonly Offer[];
  /** What a supplier's way costs once. */
  readonly freights: Readonly<Record<string, number>>;
  readonly bench: ReadonlyMap<string, Identity>;
  readonly nameOf: (part: string) => string;
}

/** Cheapest, soonest and best side by side, of what can be ordered; beside the cheapest what would be cheaper and is barred. */
export async function jobPlans(facts: PlanFacts, solve: Solve): Promise<JobPlan[]> {
  const usable = facts.offers.filter((offer) => isGoodEnough(offer, facts.needs));
  const orderable = usable.filter((offer) => whyBarred(offer, facts.bench) === undefined);
  const plans: JobPlan[] = [];
  for (const objective of OBJECTIVES)
    plans.push(toldPlan(await planned(facts, orderable, objective, solve), objective, orderable, facts));
  if (orderable.length === usable.length) return plans;
  const free = await planned(facts, usable, 'cost', solve);
  const barred = barredLines(free, usable, facts);
  const [cheapest, ...others] = plans;
  const isCheaper =
    free.cost !== null && (!cheapest!.feasible || free.cost < cheapest!.parts + cheapest!.freight);
  if (barred.length === 0 || !isCheaper) return plans;
  return [{ ...cheapest!, barred: { total: free.cost!, lines: barred } }, ...others];
}

/** An offer that brings a needed part of a make that isn't good enough here is of no use. */
const isGoodEnough = ({ supplies, tier }: Offer, needs: readonly Need[]): boolean =>
  supplies.some(({ part }) => needs.some((need) => need.part === part)) &&
  supplies.every(({ part }) => tier >= (needs.find((need) => need.part === part)?.leastTier ?? 0));

const planned = (
  { needs, together, freights }: PlanFacts,
  offers: readonly Offer[],
  objective: Objective,
  solve: Solve,
): Promise<PartsPlan> =>
  partsPlan(
    {
      needs: needs.map(({ part, qty }) => ({ part, qty })),
      offers: offers.map(({ id, price, days, tier, stock, supplies, supplier }) => ({
        ...{ id, price, days, tier, supplies: [...supplies], source: supplier },
        ...(stock === undefined ? {} : { stock }),
      })),
      ...{ freights, together: together.map(([a, b]) => [a, b]), objective },
    },
    solve,
  );

function linesOf({ chosen }: PartsPlan, offers: readonly Offer[], { bench }: PlanFacts): PlanLine[] {
  return chosen.map(({ id, count }) => {
    const offer = offers.find((each) => each.id === id)!;
    return { offer, count, compared: compareIdentity(offer, bench) };
  });
}

function toldPlan(
  plan: PartsPlan,
  objective: Objective,
  offers: readonly Offer[],
  facts: PlanFacts,
): JobPlan {
  const lines = linesOf(plan, offers, facts);
  const parts = lines.reduce((sum, { offer, count }) => sum + offer.price * count, 0);
  const total = plan.cost ?? 0;
  return {
    ...{ objective, lines, parts, feasible: plan.feasible, freight: total - parts, days: plan.days ?? 0 },
    uncoverable: (plan.uncoverable ?? []).map((part) => whyNotHad(part, facts)),
    toCount: (plan.uncoverable ?? []).filter((part) => isUncounted(part, facts)),
    leftOver: plan.leftOver.map(({ part, qty }) => ({ name: facts.nameOf(part), qty })),
    proved: plan.provenOptimal,
    gap:
      plan.provenOptimal || plan.bound === undefined ? undefined : Math.max(0, Math.ceil(total - plan.bound)),
  };
}

/** Whether a part is offered, and only a count stands between it and its order. */
const isUncounted = (part: string, { offers, bench }: PlanFacts): boolean =>
  offers.some(
    (offer) =>
      offer.supplies.some((each) => each.part === part) &&
      whyBarred(offer, bench) !== undefined &&
      compareIdentity(offer, bench).every(({ differs }) => !differs),
  );

const makeOf = (tier: number): string => TIERS.find(({ id }) => id === tier)?.name ?? '';

/** What can’t be had; where it is offered and barred, why. */
function whyNotHad(part: string, { offers, bench, needs, nameOf }: PlanFacts): string {
  const barred = offers
    .filter(({ supplies }) => supplies.some((each) => each.part === part))
    .flatMap((offer) => whyBarred(offer, bench) ?? []);
  if (barred.length > 0) return `${nameOf(part)} (offered, but ${barred[0]})`;
  const need = needs.find((each) => each.part === part);
  const best = Math.max(
    0,
    ...offers.filter(({ supplies }) => supplies.some((each) => each.part === part)).map(({ tier }) => tier),
  );
  return need && best > 0 && best < need.leastTier
    ? `${nameOf(part)} (offered, but only as ${makeOf(best)}; this shop takes ${makeOf(need.leastTier)} for it)`
    : nameOf(part);
}

const barredLines = (plan: PartsPlan, offers: readonly Offer[], facts: PlanFacts) =>
  linesOf(plan, offers, facts).flatMap((line) => {
    const why = whyBarred(line.offer, facts.bench);
    return why === undefined ? [] : [{ ...line, why }];
  });
