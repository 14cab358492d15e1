import { describe, expect, it } from 'vitest';
import { BadInput } from '@/core/badInput';
import { type PartsPlanInput, partsPlan } from '@/core/planning/partsPlan';
import { solveProgram } from '@/core/planning/solveProgram.mjs';
import { seeded } from './seeded';

const plan = (input: PartsPlanInput) => partsPlan(input, solveProgram);

/** Every way to order from the offers, looked at one by one: the yardstick, slow and plain. */
function bruteForce({
  needs,
  offers,
  together = [],
  freights = {},
  deadlineDays = Number.POSITIVE_INFINITY,
  minimumTier = Number.NEGATIVE_INFINITY,
  objective = 'cost',
}: PartsPlanInput) {
  const most = 3;
  let best: { cost: number; days: number; tier: number } | undefined;
  const counts = offers.map(() => 0);
  const better = (a: NonNullable<typeof best>, b: NonNullable<typeof best>) => {
    if (objective === 'days' && a.days !== b.days) return a.days < b.days;
    if (objective === 'tier' && a.tier !== b.tier) return a.tier > b.tier;
    return a.cost < b.cost;
  };
  const look = () => {
    const used = offers.flatMap((offer, at) => (counts[at]! > 0 ? [{ offer, count: counts[at]! }] : []));
    if (
      used.some(
        ({ offer, count }) =>
          offer.days > deadlineDays || offer.tier < minimumTier || count > (offer.stock ?? most),
      )
    )
      return;
    const got = (part: string) =>
      used.reduce(
        (sum, { offer, count }) =>
          sum + offer.supplies.reduce((own, each) => own + (each.part === part ? each.qty * count : 0), 0),
        0,
      );
    const wanted = (part: string) =>
      needs.reduce((sum, each) => sum + (each.part === part ? each.qty : 0), 0);
    if (needs.some(({ part }) => got(part) < wanted(part))) return;
    const both = ([a, b]: readonly [string, string]) =>
      used.some(({ offer }) => [a, b].every((part) => offer.supplies.some((each) => each.part === part)));
    if (!together.every(both)) return;
    const senders = new Set(used.flatMap(({ offer }) => offer.source ?? []));
    const found = {
      cost:
        used.reduce((sum, { offer, count }) => sum + offer.price * count, 0) +
        [...senders].reduce((sum, sender) => sum + (freights[sender] ?? 0), 0),
      days: Math.max(0, ...used.map(({ offer }) => offer.days)),
      tier: Math.min(99, ...used.map(({ offer }) => offer.tier)),
    };
    if (!best || better(found, best)) best = found;
  };
  const walk = (at: number) => {
    if (at === offers.length) return look();
    for (let count = 0; count <= most; count += 1) {
      counts[at] = count;
      walk(at + 1);
    }
    counts[at] = 0;
  };
  walk(0);
  return best;
}

function smallCase(seed: number): PartsPlanInput {
  const { whole, pick, chance } = seeded(seed);
  const parts = ['a', 'b', 'c', 'd'].slice(0, whole(1, 4));
  return {
    needs: parts.map((part) => ({ part, qty: whole(1, 3) })),
    offers: Array.from({ length: whole(1, 5) }, (_, at) => ({
      ...{ id: `o${at}`, price: whole(1, 60), days: whole(1, 5), tier: whole(1, 3) },
      ...(chance(0.3) ? { stock: whole(0, 3) } : {}),
      ...(chance(0.6) ? { source: pick(['north', 'south']) } : {}),
      supplies: ['a', 'b', 'c', 'd', 'e']
        .filter(() => chance(0.5))
        .concat('a')
        .slice(0, 3)
        .map((part) => ({ part, qty: whole(1, 3) })),
    })),
    ...(chance(0.5) ? { freights: { north: whole(0, 20), south: whole(0, 20) } } : {}),
    ...(chance(0.25) && parts.length > 1 ? { together: [[parts[0]!, parts[1]!]] } : {}),
    ...(chance(0.2) ? { deadlineDays: whole(1, 5) } : {}),
    ...(chance(0.2) ? { minimumTier: whole(1, 3) } : {}),
    objective: pick(['cost', 'days', 'tier'] as const),
  };
}

describe('the plan for the parts', () => {
  it('is what looking at every way to order finds, on 500 small cases', async () => {
    let feasible = 0;
    for (let seed = 1; seed <= 500; seed += 1) {
      const input = smallCase(seed);
      const best = bruteForce(input);
      const found = await plan(input);
      expect(found.feasible, `case ${seed}`).toBe(best !== undefined);
      if (!best) {
        expect(found.uncoverable!.length, `case ${seed}`).toBeGreaterThan(0);
        continue;
      }
      feasible += 1;
      expect(found.provenOptimal).toBe(true);
      expect(found.cost, `case ${seed}`).toBe(best.cost);
      if (input.objective === 'days') expect(found.days, `case ${seed}`).toBe(best.days);
    }
    expect(feasible).toBeGreaterThan(150);
  }, 60_000);

  it('costs no less than the bound that the solver proves, on large ones; and covers every need', async () => {
    for (const seed of [1, 2, 3]) {
      const { whole, chance } = seeded(seed);
      const parts = Array.from({ length: 60 }, (_, at) => `p${at}`);
      const input: PartsPlanInput = {
        needs: parts.map((part) => ({ part, qty: whole(1, 4) })),
        offers: [
          ...parts.map((part, at) => ({
            ...{ id: `alone ${at}`, price: whole(100, 90_000), days: whole(1, 20), tier: whole(1, 3) },
            supplies: [{ part, qty: 1 }],
          })),
          ...Array.from({ length: 60 }, (_, at) => ({
            ...{ id: `kit ${at}`, price: whole(5_000, 200_000), days: whole(1, 20), tier: whole(1, 3) },
            supplies: parts
              .filter(() => chance(0.1))
              .concat('p0')
              .map((part) => ({ part, qty: whole(1, 3) })),
          })),
        ],
      };
      const found = await plan(input);
      expect(found).toMatchObject({ feasible: true, provenOptimal: true });
      expect(found.cost!).toBeGreaterThanOrEqual(found.bound! - 1e-3);
      expect(found.cost! - found.bound!).toBeLessThan(1);
      for (const { part, qty } of input.needs) {
        const got = found.chosen.reduce((sum, { id, count }) => {
          const offer = input.offers.find((each) => each.id === id)!;
          return (
            sum + count * offer.supplies.reduce((own, each) => own + (each.part === part ? each.qty : 0), 0)
          );
        }, 0);
        expect(got).toBeGreaterThanOrEqual(qty);
      }
    }
  }, 60_000);

  it('tells what is left over, and which part can’t be had', async () => {
    const kit = {
      id: 'kit',
      price: 25,
      days: 5,
      tier: 2,
      supplies: [
        { part: 'a', qty: 2 },
        { part: 'z', qty: 1 },
      ],
    };
    expect(await plan({ needs: [{ part: 'a', qty: 1 }], offers: [kit] })).toMatchObject({
      leftOver: [
        { part: 'a', qty: 1 },
        { part: 'z', qty: 1 },
      ],
    });
    expect(
      await plan({
        needs: [
          { part: 'a', qty: 1 },
          { part: 'b', qty: 1 },
        ],
        offers: [kit],
      }),
    ).toMatchObject({
      ...{ feasible: false, cost: null, days: null, uncoverable: ['b'] },
    });
    expect(await plan({ needs: [], offers: [kit] })).toMatchObject({ feasible: true, cost: 0, chosen: [] });
  });

  it('claims no proof where it was stopped before there was one', async () => {
    const { whole, chance } = seeded(9);
    const parts = Array.from({ length: 80 }, (_, at) => `p${at}`);
    const offers = Array.from({ length: 400 }, (_, at) => ({
      ...{ id: `k${at}`, price: whole(900, 1_100), days: 1, tier: 1 },
      supplies: parts
        .filter(() => chance(0.06))
        .concat(`p${at % 80}`)
        .map((part) => ({ part, qty: 1 })),
    }));
    const found = await partsPlan({ needs: parts.map((part) => ({ part, qty: 1 })), offers }, solveProgram, {
      seconds: 0.5,
    });
    if (found.feasible) expect(found.cost!).toBeGreaterThan(found.bound!);
    expect(found.provenOptimal).toBe(false);
  });

  it.each([
    ['a price of 0', { price: 0 }, 'greater than 0'],
    ['a negative price', { price: -3 }, 'greater than 0'],
    ['a price above 1e9', { price: 1.1e9 }, '1e9'],
    ['an offer of nothing', { supplies: [] }, 'supplies something'],
    ['half a piece', { supplies: [{ part: 'a', qty: 0.5 }] }, 'whole'],
  ])('refuses %s', async (_, over, words) => {
    const offer = { ...{ id: 'o', price: 5, days: 1, tier: 1, supplies: [{ part: 'a', qty: 1 }] }, ...over };
    await expect(plan({ needs: [{ part: 'a', qty: 1 }], offers: [offer] })).rejects.toThrow(words);
  });

  it('refuses an id that stands twice, and a pair of which one isn’t needed', async () => {
    const offer = { id: 'o', price: 5, days: 1, tier: 1, supplies: [{ part: 'a', qty: 1 }] };
    const needs = [{ part: 'a', qty: 1 }];
    await expect(plan({ needs, offers: [offer, offer] })).rejects.toThrow(BadInput);
    await expect(plan({ needs, offers: [offer], together: [['a', 'b']] })).rejects.toThrow(BadInput);
  });
});
