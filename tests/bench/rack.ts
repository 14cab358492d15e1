import { newestCatalogs } from '@/db/catalogs';
import { insertJob } from '@/db/jobs';
import { inTransaction } from '@/db/open';
import { newestRevision } from '@/db/unitTypes';
import { readHistory } from '@/server/book-in/history';
import { readRack } from '@/server/shop/readRack';
import { searchJobs } from '@/server/shop/searchJobs';
import { openTestShop, type TestShop } from '../unit/fixtures/shop';

/** A shop with so many jobs on its rack, all of them counted. */
function shopWith(jobs: number): TestShop {
  const shop = openTestShop();
  const [unitTypeId, catalogs] = ['torvane-hx41', newestCatalogs(shop.context.db)];
  const unitTypeRevision = newestRevision(shop.context.db, unitTypeId);
  inTransaction(shop.context.db, () => {
    for (let index = 0; index < jobs; index += 1) {
      const day = String((index % 28) + 1).padStart(2, '0');
      insertJob(shop.context.db, {
        ...{
          id: `job-${index}`,
          version: 1,
          peg: 1000 + index,
          customer: `Farm ${index}`,
          customerContact: '',
        },
        ...{
          machine: `trailer ${index}`,
          distanceKm: null,
          unitTitle: 'Axle head',
        },
        ...{
          unitTypeId,
          unitTypeRevision,
          catalogs,
          serial: `S${index % 20}`,
          tag: '',
          complaint: 'howls',
          symptoms: [],
        },
        ...{ received: { signs: [], note: '' }, oilClaimed: '', history: '', dueOn: `2026-12-${day}` },
        ...{ waitsFor: 'draining', bookedAt: '2026-11-24T09:00:00.000Z' },
        bookedById: shop.people.inspector.id,
      });
    }
  });
  return shop;
}

export interface RackTimes {
  /** Median and 95th percentile, ms. */
  readonly many: readonly [number, number];
  readonly few: readonly [number, number];
}

/** How many a full page holds. */
const FULL = { rack: 60, history: 5, search: 20 } as const;

/** A page of the rack (or of what is found by words, or came before under a serial number) with ten thousand units in the house, and with a hundred: asked by turns. */
export function rackTimes(
  rounds: number,
  asked: keyof typeof FULL = 'rack',
  sizes: readonly [number, number] = [10_000, 100],
): RackTimes {
  const [many, few] = [shopWith(sizes[0]), shopWith(sizes[1])];
  const page = { afterDue: '2026-12-03', afterPeg: 0 };
  const ask = ({ people, context }: TestShop): number => {
    const began = performance.now();
    const rows =
      asked === 'rack'
        ? readRack(people.inspector, context, page).entries.length
        : asked === 'history'
          ? readHistory(people.inspector, context, { serial: 'S7', peg: 0 }).earlier.length
          : searchJobs(people.inspector, context, { sought: 'trail axle' }).found.length;
    if (rows !== FULL[asked]) throw new Error(`a page of ${rows}`);
    return performance.now() - began;
  };
  // The first look counts what nobody has counted; a shop looks at its rack all day.
  ask(many);
  ask(few);
  const times: [number[], number[]] = [[], []];
  for (let round = 0; round < rounds; round += 1) {
    times[0].push(ask(many));
    times[1].push(ask(few));
  }
  many.close();
  few.close();
  const at = (list: number[], share: number) =>
    [...list].sort((a, b) => a - b)[Math.floor(share * list.length)]!;
  return {
    many: [at(times[0], 0.5), at(times[0], 0.95)],
    few: [at(times[1], 0.5), at(times[1], 0.95)],
  };
}
