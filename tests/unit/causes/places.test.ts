import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedCatalogs } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { diagnose } from '@/core/causes/diagnose';
import { diagnosePlaced } from '@/core/causes/diagnosePlaced';
import type { Derived } from '@/core/causes/evidence/derived';
import { evidenceFrom } from '@/core/causes/evidence/gathered';
import { heardAt } from '@/core/causes/evidence/heardAt';
import { posterior, WIDEST } from '@/core/causes/inference/posterior';
import { inOrder } from '@/core/causes/network';
import { networkFaults } from '@/core/causes/networkFaults';
import { placeNetwork } from '@/core/causes/placeNetwork';
import { firstWasRight, type SettledCase, shopRates } from '@/core/causes/shopCases';
import { betaQuantile } from '@/core/metrology/distributions';
import type { CauseNetwork } from '@/model/causeNetwork';

const SHIPPED = shippedCatalogs()['cause-network'];
/** A unit of nothing but so many bearings. */
const bearings = (count: number) =>
  ({
    positions: Array.from({ length: count }, (_, at) => ({
      ...{ id: `b${at}`, name: `Bearing ${at}`, family: 'rolling-bearing' },
    })),
    ...{ gears: [], meshes: [], bearings: [], stacks: [] },
  }) as never;
const SMALL: CauseNetwork = {
  ...{ schemaVersion: 1, revision: 1 },
  nodes: [
    { id: 'dirt', kind: 'root', name: 'dirt', base: 'uncommon', from: [] },
    { id: 'end', kind: 'root', at: 'bearing', name: 'end of its life', base: 'common', from: [] },
    { id: 'particles', kind: 'mechanism', name: 'particles', leak: 0.03, from: [['dirt', 'usually']] },
    { id: 'all-over', kind: 'mechanism', name: 'all over', leak: 0.01, from: [['particles', 'usually']] },
    {
      ...{ id: 'here', kind: 'mechanism', at: 'bearing', name: 'here', leak: 0.01 },
      from: [
        ['all-over', 'almost always'],
        ['end', 'sometimes'],
      ],
    },
    {
      ...{
        id: 'dents',
        kind: 'finding',
        at: 'bearing',
        name: 'dents',
        leak: 0.02,
        from: [['here', 'usually']],
      },
      ...{ question: 'Dents?', look: 'races', minutes: 3 },
    },
  ],
};
const PLACES = Array.from({ length: 20 }, (_, at) => at + 1);

describe('a network on its places', () => {
  it('keeps “at least one of them” at the unit’s rate, however many places there are', () => {
    for (const count of PLACES) {
      const placed = placeNetwork(SMALL, bearings(count));
      const roots = placed.nodes.filter(({ id }) => id.startsWith('end@'));
      const none = roots.reduce((p, { prior }) => p * (1 - prior!), 1);
      expect(Math.abs(1 - none - 0.12)).toBeLessThan(1e-9);
      const { places } = diagnosePlaced(SMALL, bearings(count), { findings: {} });
      expect(places).toHaveLength(count);
      expect(Math.abs(places[0]!.share - (1 - 0.88 ** (1 / count)))).toBeLessThan(1e-9);
    }
  });

  it('lets no number of places move the odds of what lies behind all of them by more than the one node between can', () => {
    // P(all over | particles) = 1 − 0.99·0.2, without them its leak alone: the most that any places can tell.
    const most = (1 - 0.99 * 0.2) / 0.01;
    const least = (0.99 * 0.2) / 0.99;
    const odds = (p: number) => p / (1 - p);
    for (const count of PLACES) {
      const placed = placeNetwork(SMALL, bearings(count));
      const ask = (seen: boolean) =>
        diagnose(placed, {
          findings: Object.fromEntries(
            placed.nodes.flatMap(({ id, kind }) => (kind === 'finding' ? [[id, seen]] : [])),
          ),
          rankOnly: true,
        }).marginals.particles!;
      const before = diagnose(placed, { findings: {}, rankOnly: true }).marginals.particles!;
      expect(odds(ask(true)) / odds(before)).toBeLessThanOrEqual(most + 1e-9);
      expect(odds(ask(false)) / odds(before)).toBeGreaterThanOrEqual(least - 1e-9);
    }
  });

  it('lets a noise that is heard in some gears accuse only what carries load there', () => {
    const growl: CauseNetwork = {
      ...SMALL,
      nodes: [
        ...SMALL.nodes,
        {
          ...{ id: 'growl', kind: 'finding', name: 'growl', leak: 0.05, from: [['here', 'usually']] },
          ...{ question: 'Growl?', look: 'road', minutes: 5 },
        },
      ],
    };
    const heard = placeNetwork(growl, bearings(4), {}, { growl: ['b1', 'b2'] });
    expect(heard.nodes.find(({ id }) => id === 'growl')?.parents.map(({ id }) => id)).toEqual([
      'here@b1',
      'here@b2',
    ]);
    const { marginals } = diagnose(heard, { findings: { growl: true } });
    expect(marginals['end@b1']).toBeGreaterThan(marginals['end@b0']! * 1.3);
    // Where nothing fits what was said, it may come from any of them.
    const anywhere = placeNetwork(growl, bearings(4), {}, { growl: ['gear-9'] });
    expect(anywhere.nodes.find(({ id }) => id === 'growl')?.parents).toHaveLength(4);
  });

  it('counts a record that came twice once, and one thing that contradicts itself for nothing', () => {
    const placed = placeNetwork(SMALL, bearings(3));
    const source = { words: 'seen', station: 'grade' } as const;
    const seen: Derived = { node: 'dents@b0', state: 'seen', source };
    const none = { records: [] };
    expect(evidenceFrom([seen, seen], none, placed).findings).toEqual(
      evidenceFrom([seen], none, placed).findings,
    );
    const twice = evidenceFrom([seen, { ...seen, state: 'absent' }], none, placed);
    expect(twice.findings).toEqual({});
    expect(twice.all).toMatchObject([{ node: 'dents@b0', state: 'contradicted' }]);
    // Of several weak signs of one thing the strongest speaks; what can't be told any more says nothing.
    const weak = (ratio: number): Derived => ({ ...seen, ratio });
    expect(evidenceFrom([weak(2), weak(5)], none, placed).soft).toEqual({ 'dents@b0': 5 });
    expect(evidenceFrom([{ ...seen, state: 'lost' }], none, placed)).toMatchObject({
      findings: {},
      soft: {},
    });
  });

  it('lets a statement about the whole unit speak only while none of its parts does: parts plus statement equals parts alone', () => {
    const source = { words: 'dents wherever one looked', station: 'grade' } as const;
    const statement: Derived = { node: 'all-over', state: 'seen', source };
    const none = { records: [] };
    for (const count of [1, 4, 12]) {
      const placed = placeNetwork(SMALL, bearings(count));
      const alone = evidenceFrom([statement], none, placed).findings;
      expect(alone).toEqual({ 'all-over': true });
      const before = diagnose(placed, { findings: {} }).marginals.dirt!;
      expect(diagnose(placed, { findings: alone }).marginals.dirt!).toBeGreaterThan(before * 2);
      for (const state of ['seen', 'absent'] as const) {
        const part: Derived = { ...statement, node: `dents@b${count - 1}`, state };
        const both = evidenceFrom([part, statement], none, placed);
        expect(both.findings).toEqual(evidenceFrom([part], none, placed).findings);
        expect(both.all.find(({ node }) => node === 'all-over')?.state).toBe('told-by-parts');
      }
    }
  });

  it('hears a slipping only from what holds the gear in which it slips', () => {
    const type = shippedUnitTypes().find(({ id }) => id === 'ostrevik-w3')!;
    const slipping = (gears: string[]) =>
      heardAt({
        unitType: type,
        job: { symptoms: [{ id: 'slip', gears, loads: [], sounds: [] }] } as never,
      });
    expect(slipping(['1']).slips).toContain('band-2');
    expect(slipping(['1']).slips).not.toContain('band-1');
    expect(slipping([])).toEqual({});
  });

  it('lets a person’s word go before what was worked out, and back again', () => {
    const placed = placeNetwork(SMALL, bearings(2));
    const source = { words: 'seen', station: 'grade' } as const;
    const seen: Derived = { node: 'dents@b0', state: 'seen', source };
    const says = (...list: string[]) => ({
      records: list.map((word, at) => ({
        ...{ id: String(at), author: 'Mirel', authorId: 'm', deviceTime: '', receivedAt: '', struck: null },
        content: { what: 'cause-finding', node: 'dents@b0', says: word, reason: 'old marks' },
      })) as never,
    });
    expect(evidenceFrom([seen], says('set-aside'), placed).findings).toEqual({});
    expect(evidenceFrom([seen], says('absent'), placed).findings).toEqual({ 'dents@b0': false });
    expect(evidenceFrom([seen], says('set-aside', 'as-derived'), placed).findings).toEqual({
      'dents@b0': true,
    });
    expect(evidenceFrom([], says('cannot-tell'), placed).all).toMatchObject([
      { state: 'lost', said: { by: 'Mirel' } },
    ]);
  });
});

describe('the network that ships', () => {
  it('has no faults, says of every finding what to ask, where to look and how long it takes, and is large enough', () => {
    expect(networkFaults(SHIPPED)).toEqual([]);
    expect(SHIPPED.nodes.filter(({ kind }) => kind === 'finding').length).toBeGreaterThanOrEqual(150);
  });

  it.each(shippedUnitTypes().map((type) => [type.id, type] as const))(
    'is summed exactly on %s with every finding seen, and with every one absent',
    (_, type) => {
      const placed = placeNetwork(SHIPPED, type);
      const findings = placed.nodes.filter(({ kind }) => kind === 'finding');
      const excluded = new Set(SHIPPED.nodes.flatMap(({ id, excludes }) => (excludes ? [id] : [])));
      const seen = new Map(findings.map(({ id }) => [id, !excluded.has(id)]));
      const absent = new Map(findings.map(({ id }) => [id, false]));
      for (const hard of [seen, absent])
        expect(posterior(inOrder(placed), { hard, soft: new Map() }).width).toBeLessThanOrEqual(WIDEST);
    },
    30_000,
  );

  it('is calibrated on cases drawn from itself: of what it says with eight in ten, eight in ten are so', () => {
    const type = shippedUnitTypes().find(({ id }) => id === 'torvane-hx41')!;
    const order = inOrder(placeNetwork(SHIPPED, type));
    let state = 7;
    const random = () => {
      state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
      return state / 4_294_967_296;
    };
    const bins = Array.from({ length: 5 }, () => ({ said: 0, so: 0, n: 0 }));
    for (let draw = 0; draw < 120; draw += 1) {
      const truth = new Map<string, boolean>();
      for (const { id, parents, table, prior, leak } of order) {
        const row = parents.reduce((index, parent) => index * 2 + (truth.get(parent.id) ? 0 : 1), 0);
        const fails = parents.reduce(
          (p, parent) => (truth.get(parent.id) ? p * (1 - parent.strength) : p),
          1 - (parents.length === 0 ? (prior ?? 0) : (leak ?? 0)),
        );
        truth.set(id, random() < (table ? table[row]! : 1 - fails));
      }
      const findings = Object.fromEntries(
        order.flatMap(({ id, kind }) => (kind === 'finding' && random() < 0.6 ? [[id, truth.get(id)!]] : [])),
      );
      const { marginals } = diagnose({ nodes: [...order] }, { findings, rankOnly: true });
      for (const { id, kind } of order) {
        if (kind !== 'root') continue;
        const bin = bins[Math.min(4, Math.floor(marginals[id]! * 5))]!;
        bin.said += marginals[id]!;
        bin.so += truth.get(id) ? 1 : 0;
        bin.n += 1;
      }
    }
    for (const { said, so, n } of bins) {
      const p = said / n;
      // Within three standard errors of a count of that many.
      expect(Math.abs(so / n - p), `${so} of ${n} where ${p.toFixed(2)} was said`).toBeLessThan(
        3 * Math.sqrt((p * (1 - p)) / n) + 0.01,
      );
    }
  }, 120_000);

  it('refuses what would make it none', () => {
    const with_ = (change: (nodes: CauseNetwork['nodes']) => CauseNetwork['nodes']) =>
      networkFaults({ ...SMALL, nodes: change(SMALL.nodes) }).map(({ message }) => message);
    expect(with_((nodes) => nodes.filter(({ id }) => id !== 'here')).join(' ')).toContain(
      'which isn’t there',
    );
    expect(with_((nodes) => [...nodes, nodes[0]!])[0]).toContain('stands twice');
    expect(
      with_((nodes) => nodes.map((node) => (node.id === 'particles' ? { ...node, from: [] } : node))).join(
        ' ',
      ),
    ).toContain('no cause reaches it');
    expect(
      with_((nodes) =>
        nodes.map((node) =>
          node.id === 'all-over' ? { ...node, from: [...node.from, ['here', 'often']] } : node,
        ),
      ).join(' '),
    ).toContain('lies on a cycle');
    expect(with_((nodes) => nodes.map(({ question: _, ...node }) => node)).join(' ')).toContain(
      'needs a question',
    );
  });
});

describe('what the shop’s own cases say', () => {
  const rate = (base: 'common' | 'rare', k: number, n: number) => {
    const network: CauseNetwork = { ...SMALL, nodes: [{ ...SMALL.nodes[0]!, base }] };
    const cases = Array.from(
      { length: n },
      (_, at): SettledCase => ({
        ...{ ranked: [], confirmed: true, roots: at < k ? ['dirt'] : ['other'] },
      }),
    );
    return shopRates(network, cases)[0]!.rate;
  };
  // Worked out by hand: (10·0.12 + 4)/(10 + 30), (10·0.02 + 1)/(10 + 1), and the rate itself.
  it('moves a rate as ten cases of the document weigh against them', () => {
    expect(rate('common', 4, 30)).toBeCloseTo(0.13, 9);
    expect(rate('rare', 1, 1)).toBeCloseTo(1.2 / 11, 9);
    expect(rate('common', 0, 0)).toBe(0.12);
  });

  it('tells how sure a rate is by the beta distribution', () => {
    // Of Beta(1, n) the quantile is 1 − (1 − p)^(1/n); of any other the density is summed here, by steps.
    expect(betaQuantile(0.05, 1, 9)).toBeCloseTo(1 - 0.95 ** (1 / 9), 6);
    const network: CauseNetwork = { ...SMALL, nodes: [{ ...SMALL.nodes[0]!, base: 'common' }] };
    const cases = Array.from(
      { length: 30 },
      (_, at): SettledCase => ({ ranked: [], confirmed: true, roots: at < 4 ? ['dirt'] : ['other'] }),
    );
    const [low, high] = shopRates(network, cases)[0]!.interval;
    const density = (x: number) => x ** 4.2 * (1 - x) ** 33.8;
    const sum = (to: number) => {
      const steps = 20_000;
      let total = 0;
      for (let step = 0; step < steps; step += 1)
        total += density(((step + 0.5) / steps) * to) * (to / steps);
      return total;
    };
    expect(sum(low) / sum(1)).toBeCloseTo(0.05, 4);
    expect(sum(high) / sum(1)).toBeCloseTo(0.95, 4);
  });

  it('counts a cause once a unit, and what nobody knows for nothing', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9 }), (unknown) => {
        const none: SettledCase = { ranked: [], confirmed: false, roots: [] };
        const twice: SettledCase = { ranked: [], confirmed: true, roots: ['end@b0', 'end@b1'] };
        const [, end] = shopRates(SMALL, [twice, ...Array.from({ length: unknown }, () => none)]);
        expect(end).toMatchObject({ root: 'end', cases: 1, of: 1 });
      }),
    );
    const ranked = [{ id: 'end@b1', probability: 0.8 }];
    expect(
      firstWasRight([
        { ranked, confirmed: true, roots: ['end@b0'] },
        { ranked, confirmed: false, roots: ['dirt'] },
        { ranked, confirmed: false, roots: [] },
      ]),
    ).toEqual({ right: 1, of: 2 });
  });
});
