import { group } from 'd3-array';
import type { Identity } from '@/model/offers';
import type { Actor } from '@/model/people';
import type { RecordContent } from '@/model/recordKinds';
import type { Context } from '@/server/context';
import { readPlans } from '@/server/planning/plans';
import { putOnShelf } from '@/server/planning/priceLists';
import type { DemoJob } from './scenario/scenario';

/** Suppliers are asked, the soonest plan is ordered, a first line comes in; sound parts of a unit that is given up go on the shelf. */
export async function seedParts(
  { context, lead, tick }: { readonly context: Context; readonly lead: Actor; readonly tick: () => void },
  { prices, shelf }: DemoJob,
  jobId: string,
  keep: (content: RecordContent) => string,
): Promise<void> {
  for (const [positionId, price] of shelf) putOnShelf(lead, context, { jobId, positionId, price, note: '' });
  if (prices === undefined) return;
  keep({ what: 'prices-asked', note: '' });
  tick();
  if (prices === 'asked') return;
  const { plans, suppliers } = await readPlans(lead, context, { jobId });
  const soonest = plans.find(({ objective }) => objective === 'days');
  if (!soonest?.feasible)
    throw new Error(`Nothing can be ordered for ${jobId}: ${soonest?.uncoverable.join(', ')}.`);
  for (const [supplier, lines] of group(soonest.lines, ({ offer }) => offer.supplier)) {
    const freight = suppliers.find(({ name }) => name === supplier)?.freight ?? 0;
    const ordered = lines.map(({ offer, count }) => ({ offer, count }));
    const orderId = keep({ what: 'parts-ordered', supplier, lines: ordered, freight, note: '' });
    tick();
    const [{ offer, count }] = ordered as [(typeof ordered)[0]];
    const identity: Identity = offer.identity;
    keep({ what: 'goods-in', orderId, line: 0, count, identity, compared: true, note: '' });
  }
}
