import type { Money } from '@/model/money';
import { type Identity, TIERS } from '@/model/offers';
import type { PaperDocument, PaperSection } from '@/model/paper';
import type { Shop } from '@/model/report';
import type { JobSnapshot } from '@/model/snapshot';
import { benchIdentity, compareIdentity } from '../planning/fits';
import { tellMoney } from '../planning/money';
import { needsOf } from '../planning/needs';
import { isHere, type Order, orderedOf, ordersOf } from '../planning/orders';

interface PartsSources {
  readonly shop: Shop;
  readonly money: Money;
  readonly snapshot: JobSnapshot;
}

/** The parts of a job by supplier: what was ordered, by what each line is told from what looks like it, and what is still to be had. */
export function composeParts({ shop, money, snapshot }: PartsSources): PaperDocument {
  const { job } = snapshot;
  const bench = benchIdentity(snapshot);
  const orders = ordersOf(snapshot.records);
  const suppliers = [...new Set(orders.map(({ supplier }) => supplier))].sort();
  return {
    ...{ schemaVersion: 1, kind: 'parts', shop, peg: job.peg },
    title: `Parts for peg ${job.peg}`,
    subtitle: `${job.unitTitle}, ${job.machine}`,
    sections: [
      {
        ...{ id: 'unit', title: 'For which unit' },
        blocks: [
          {
            as: 'facts',
            facts: [
              ['Peg', String(job.peg)],
              ['Serial', job.serial || 'not given'],
              ['Type', `${job.unitTypeId}, revision ${job.unitTypeRevision}`],
              ['Due', job.dueOn],
            ],
          },
        ],
      },
      ...suppliers.map((supplier) =>
        supplierSection(
          supplier,
          orders.filter((order) => order.supplier === supplier),
          bench,
          money,
        ),
      ),
      stillNeeded(snapshot, orders),
    ],
  };
}

function supplierSection(
  supplier: string,
  orders: readonly Order[],
  bench: ReadonlyMap<string, Identity>,
  money: Money,
): PaperSection {
  return {
    id: `supplier-${supplier}`,
    title: supplier,
    blocks: orders.flatMap((order) => [
      {
        as: 'text' as const,
        words: `Ordered ${order.at.slice(0, 10)} by ${order.by}, ${STATE_WORDS[order.state]}${order.cancelled ? `: ${order.cancelled}` : ''}.`,
      },
      {
        as: 'table' as const,
        title: `Order ${order.at.slice(0, 10)} to ${supplier}`,
        columns: [
          { name: 'Code', share: 0.13 },
          { name: 'Part', share: 0.23 },
          { name: 'Ordered', share: 0.09, numeric: true as const },
          { name: 'Here', share: 0.07, numeric: true as const },
          { name: 'Make', share: 0.14 },
          { name: 'Told by, and counted here', share: 0.22 },
          { name: 'Price', share: 0.12, numeric: true as const },
        ],
        rows: order.lines.map(({ offer, count, arrived, back, differs, taken }, at) => ({
          key: `${order.id}-${at}`,
          cells: [
            ...[offer.code, offer.name, String(count), String(arrived)],
            TIERS.find(({ id }) => id === offer.tier)?.name ?? '',
            [
              ...compareIdentity(offer, bench).map(
                ({ name, unit, offered, counted }) =>
                  `${name} ${offered}${unit && ` ${unit}`} (${counted === undefined ? 'not counted here' : `here ${counted}`})`,
              ),
              ...differs.map((words) => `came with ${words}, goes back`),
              ...(back > 0 ? [`${back} went back`] : []),
              ...taken.map(
                ({ by, reason, differs: other }) => `${other}, used all the same (${by}: ${reason})`,
              ),
            ].join('; '),
            tellMoney(offer.price * count, money),
          ],
        })),
      },
      {
        as: 'facts' as const,
        facts: [
          ['Freight', tellMoney(order.freight, money)],
          ['Together, without tax', tellMoney(order.total, money)],
        ] as const,
      },
    ]),
  };
}

const STATE_WORDS: Readonly<Record<Order['state'], string>> = {
  sent: 'nothing of it is here yet',
  'partly-in': 'a part of it is here',
  unchecked: 'all of it came; not all was laid beside the old parts',
  wrong: 'not all that came is what was ordered',
  back: 'what was wrong of it went back',
  in: 'all of it is here',
  cancelled: 'cancelled',
};

/** Ordered isn't here, and what came may be the wrong part. */
function nothingToOrder(snapshot: JobSnapshot, orders: readonly Order[]): string {
  const away = needsOf(snapshot)
    .needs.filter((need) => !isHere(orders, need))
    .map(({ name }) => name);
  return away.length === 0
    ? 'Nothing that was decided to be new is missing.'
    : `All of it is ordered. Not here yet, or not laid beside the old part: ${away.join(', ')}.`;
}

function stillNeeded(snapshot: JobSnapshot, orders: readonly Order[]): PaperSection {
  const open = needsOf(snapshot).needs.flatMap((need) => {
    const missing = need.qty - orderedOf(orders, need.part);
    return missing > 0 ? [{ ...need, missing }] : [];
  });
  const head = { id: 'needed', title: 'Needed, and not ordered yet' };
  if (open.length === 0)
    return { ...head, blocks: [{ as: 'text', words: nothingToOrder(snapshot, orders) }] };
  return {
    ...head,
    blocks: [
      {
        as: 'table',
        title: head.title,
        columns: [
          { name: 'Part', share: 0.5 },
          { name: 'Pieces', share: 0.15, numeric: true },
          { name: 'At least', share: 0.35 },
        ],
        rows: open.map(({ part, name, missing, leastTier }) => ({
          key: part,
          cells: [name, String(missing), TIERS.find(({ id }) => id === leastTier)?.name ?? ''],
        })),
      },
    ],
  };
}
