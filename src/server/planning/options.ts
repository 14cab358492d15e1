import * as v from 'valibot';
import { BadInput } from '@/core/badInput';
import { type BestOfSeveral, bestOfSeveral, NEW } from '@/core/planning/bestOfSeveral';
import { benchIdentity, whyBarred } from '@/core/planning/fits';
import { OBJECTIVES } from '@/core/planning/jobPlans';
import { labourOf } from '@/core/planning/labour';
import { type BuildLine, type OptionsTold, unitOptions } from '@/core/planning/options';
import { daysOfLines, endOf, type ReadyFacts, readyDay } from '@/core/planning/readyDay';
import { workingDayAfter } from '@/core/time/workingDays';
import { partStates } from '@/core/wear/partStates';
import { countComebacks, listSisters } from '@/db/comebacks';
import { listGrades } from '@/db/judgements';
import type { Db } from '@/db/open';
import { readMoney } from '@/db/shop';
import { IdSchema } from '@/model/ids';
import { PegSchema } from '@/model/job';
import type { Offer } from '@/model/offers';
import type { JobSnapshot } from '@/model/snapshot';
import type { Context } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';
import { defineUseCase } from '../useCase';
import { offersOf } from './offersOf';
import { readPlans, readyFacts } from './plans';

const AskedSchema = v.object({
  jobId: IdSchema,
  objective: v.optional(v.picklist(OBJECTIVES), 'cost'),
  /** Pegs of units that nothing is to be taken from. */
  without: v.optional(v.pipe(v.array(PegSchema), v.maxLength(50)), []),
});

/** The ways that a unit can go, with what each costs and how often such units came back to this shop. */
export const readOptions = defineUseCase(
  'job.read',
  AskedSchema,
  async (actor, context, { jobId, objective, without }): Promise<OptionsTold> => {
    const snapshot = gatherSnapshot(context.db, jobId);
    const { plans } = await readPlans(actor, context, { jobId });
    const { offers } = offersOf(context, jobId);
    const orderable = offers.filter((offer) => whyBarred(offer, benchIdentity(snapshot)) === undefined);
    const several = bestFrom(context.db, snapshot, orderable, without);
    const plan = plans.find((each) => each.objective === objective);
    const ready = readyFacts(context, snapshot);
    const told = unitOptions({
      ...{ snapshot, offers: orderable, money: readMoney(context.db), labour: labourOf(snapshot) },
      parts: partStates(snapshot),
      plan,
      cases: casesOf(context, snapshot),
      ...{ best: several.best, noBest: several.noBest },
      when: {
        repair: readyDay({ ...ready, daysFor: daysOfLines(plan?.lines ?? []) })?.readyOn,
        best: bestReadyOn(several, ready),
        after: (days) => workingDayAfter(ready.today, days, ready.calendar),
      },
    });
    const sisters = listSisters(context.db, jobId).map(({ peg }) => peg);
    return { ...told, sisters, build: several.build, remaining: several.remaining };
  },
);

const TWO_YEARS_MS = 730 * 86_400_000;

/** Only units that have had their two years tell how many come back within them. */
function casesOf({ db, now }: Context, { unitType }: JobSnapshot) {
  const before = new Date(now().getTime() - TWO_YEARS_MS).toISOString();
  return Object.fromEntries(
    countComebacks(db, unitType.family, before).map(({ decision, cases, back }) => [
      decision,
      { cases, back },
    ]),
  );
}

/** A unit built from several: its new pieces first, then all that is left to be worked on it. */
function bestReadyOn({ best, newDays }: Several, ready: Omit<ReadyFacts, 'daysFor'>): string | undefined {
  if (!best) return undefined;
  const days = best.build.filter(({ unit }) => unit === NEW).map(({ position }) => newDays[position] ?? 0);
  return endOf(workingDayAfter(ready.today, Math.max(0, ...days), ready.calendar), ready).readyOn;
}

interface Several {
  /** Working days until a new piece is here, by the part. */
  readonly newDays: Readonly<Record<string, number>>;
  readonly best: BestOfSeveral | undefined;
  readonly noBest: string;
  readonly build: readonly BuildLine[];
  readonly remaining: OptionsTold['remaining'];
}
const NONE: Several = {
  newDays: {},
  best: undefined,
  noBest: 'no other unit of this type is graded',
  build: [],
  remaining: [],
};

function bestFrom(
  db: Db,
  { job, unitType }: JobSnapshot,
  offers: readonly Offer[],
  without: readonly number[],
): Several {
  const sisters = listSisters(db, job.id).filter(({ peg }) => !without.includes(peg));
  if (sisters.length === 0 || unitType.positions.length === 0) return NONE;
  const names = new Map(unitType.positions.map(({ id, name }) => [id, name]));
  const candidates = [{ id: job.id, peg: job.peg }, ...sisters].flatMap(({ id, peg }) =>
    listGrades(db, id)
      .filter(({ positionId }) => names.has(positionId))
      .map(({ positionId, grade }) => ({ unit: String(peg), position: positionId, grade })),
  );
  // One-use pieces are new in any case, and nothing of another unit.
  const oneUse = new Set(unitType.positions.filter((position) => position.oneUse).map(({ id }) => id));
  const used = candidates.filter(({ position }) => !oneUse.has(position));
  const sold = newPieces(unitType.sets, offers);
  try {
    const best = bestOfSeveral({
      positions: [...names.keys()],
      sets: unitType.sets.map(({ positions }) => [...positions]),
      candidates: used,
      newPrices: sold.prices,
    });
    const taken = new Set(best.build.map(({ position, unit }) => `${unit} ${position}`));
    return {
      ...{ best, noBest: '', newDays: sold.days },
      build: best.build.map(({ position, unit }) => ({
        ...{ part: position, name: names.get(position)! },
        peg: unit === NEW ? undefined : Number(unit),
      })),
      remaining: used
        .filter(({ unit, position, grade }) => grade <= 2 && !taken.has(`${unit} ${position}`))
        .map(({ unit, position, grade }) => ({ peg: Number(unit), name: names.get(position)!, grade }))
        .sort((a, b) => a.grade - b.grade || a.name.localeCompare(b.name)),
    };
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    const words = error.message.replace(/[a-z0-9]+(-[a-z0-9]+)*/g, (id) => names.get(id) ?? id);
    return { ...NONE, noBest: `no whole unit comes of it: ${words}` };
  }
}

/** The cheapest new piece for each position and when it is here; of a set that is sold whole its first piece bears the price. */
function newPieces(sets: JobSnapshot['unitType']['sets'], offers: readonly Offer[]) {
  const prices: Record<string, number> = {};
  const daysOf: Record<string, number> = {};
  for (const { supplies, price, days } of offers) {
    const ids = supplies.map(({ part }) => part);
    const isSet = sets.some(
      ({ positions }) => positions.length === ids.length && positions.every((id) => ids.includes(id)),
    );
    if (ids.length !== 1 && !isSet) continue;
    const [first, ...others] = ids;
    if (price >= (prices[first!] ?? Number.POSITIVE_INFINITY)) continue;
    prices[first!] = price;
    for (const id of others) prices[id] = 0;
    for (const id of ids) daysOf[id] = days;
  }
  return { prices, days: daysOf };
}
