import * as v from 'valibot';
import { benchIdentity } from '@/core/planning/fits';
import { jobPlans } from '@/core/planning/jobPlans';
import { labourOf } from '@/core/planning/labour';
import { needsOf } from '@/core/planning/needs';
import { ordersOf } from '@/core/planning/orders';
import { daysOfLines, type ReadyFacts, readyDay } from '@/core/planning/readyDay';
import type { ToldPlans } from '@/core/planning/suppliers';
import { readMoney, readShopCalendar } from '@/db/shop';
import { IdSchema } from '@/model/ids';
import type { JobSnapshot } from '@/model/snapshot';
import type { Context } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';
import { shopToday } from '../shopDay';
import { defineUseCase } from '../useCase';
import { offersOf } from './offersOf';
import { solveInThread } from './solverThread';

const PlansAskedSchema = v.object({
  jobId: IdSchema,
  /** As long as whoever asks waits for the proof. */
  seconds: v.optional(v.pipe(v.number(), v.minValue(0.2), v.maxValue(20)), 20),
});

/** What must be new, what can be had for it, and three plans to order from. Stopped early, the best that was found stands with its gap. */
export const readPlans = defineUseCase(
  'job.read',
  PlansAskedSchema,
  async (_actor, context, { jobId, seconds }): Promise<ToldPlans> => {
    const snapshot = gatherSnapshot(context.db, jobId);
    const { positions } = snapshot.unitType;
    const names = new Map(positions.map(({ id, name }) => [id, name]));
    const nameOf = (part: string) => names.get(part) ?? part;
    const found = offersOf(context, jobId);
    const needs = needsOf(snapshot);
    const freights = Object.fromEntries(found.suppliers.map(({ name, freight }) => [name, freight]));
    const bench = benchIdentity(snapshot);
    const plans = await jobPlans({ ...needs, offers: found.offers, freights, bench, nameOf }, (program) =>
      solveInThread(program, { signal: context.signal, seconds }),
    );
    const ready = readyFacts(context, snapshot);
    return {
      ...{
        plans: plans.map((plan) => ({
          ...plan,
          ready: readyDay({ ...ready, daysFor: daysOfLines(plan.lines) }),
        })),
        needs: needs.needs,
        suppliers: found.suppliers,
        refused: found.refused,
        offers: found.offers.length,
      },
      ...{ money: readMoney(context.db), labour: labourOf(snapshot), today: ready.today },
      calendar: ready.calendar,
    };
  },
);

/** What a job's ready day is counted by, apart from when an unordered part would come. */
export function readyFacts(context: Context, snapshot: JobSnapshot): Omit<ReadyFacts, 'daysFor'> {
  const today = shopToday(context);
  return {
    ...{ today, orderOn: today, timeZone: snapshot.timeZone, dueOn: snapshot.job.dueOn },
    ...{ needs: needsOf(snapshot).needs, orders: ordersOf(snapshot.records) },
    ...{ hoursLeft: labourOf(snapshot).left, calendar: readShopCalendar(context.db) },
  };
}
