import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { BadInput } from '@/core/badInput';
import { diagnose } from '@/core/causes/diagnose';
import { sampled } from '@/core/causes/inference/sampled';
import { inOrder, type Network, NetworkSchema } from '@/core/causes/network';
import { aloneByHand, bitsByHand, marginalsByHand, weightByHand } from './bruteForce';

const network = (nodes: unknown): Network => v.parse(NetworkSchema, { nodes });

/** The same draws for the same seed. */
function drawing(seed: number) {
  let state = seed * 2_654_435_761;
  const next = () => {
    state = (Math.imul(state ^ (state >>> 15), 2_246_822_519) + 0x9e3779b9) | 0;
    return ((state ^ (state >>> 13)) >>> 0) / 4_294_967_296;
  };
  return { share: next, below: (most: number) => Math.floor(next() * most) };
}

/** Roots, mechanisms and findings as they come; some by table, some by noisy-OR, some certain, some only spoken for. */
function randomCase(seed: number) {
  const draw = drawing(seed);
  const size = seed % 60 === 0 ? 16 : 5 + draw.below(6);
  const nodes = Array.from({ length: size }, (_, at) => {
    const kind = at < 3 ? 'root' : at < size / 2 ? 'mechanism' : 'finding';
    const parents = Array.from({ length: at }, (_, from) => `n${from}`)
      .filter(() => at >= 3 && draw.share() < 0.45)
      .slice(0, 6);
    const few = parents.length <= 3 && draw.share() < 0.35;
    return {
      ...{ id: `n${at}`, kind },
      ...(parents.length === 0 ? { prior: 0.02 + 0.5 * draw.share() } : {}),
      parents: parents.map((id) => ({ id, strength: Math.round(2 + draw.share() * 96) / 100 })),
      ...(few ? { table: Array.from({ length: 2 ** parents.length }, () => draw.share()) } : {}),
      ...(!few && parents.length > 0 ? { leak: 0.01 + 0.2 * draw.share() } : {}),
    };
  });
  const findings: Record<string, boolean> = {};
  const soft: Record<string, number> = {};
  for (const { id } of nodes.slice(2)) {
    const how = draw.share();
    if (how < 0.35) findings[id] = draw.share() < 0.6;
    else if (how < 0.45) soft[id] = 0.2 + 5 * draw.share();
  }
  return { network: network(nodes), findings, soft };
}

describe('diagnosis', () => {
  // Expected: by going through every state of the network.
  it('equals brute force on 300 random networks of up to 16 nodes: probabilities, weights, what explains nothing, what to look at next', () => {
    for (let seed = 1; seed <= 300; seed += 1) {
      const { network: of, findings, soft } = randomCase(seed);
      const known = { findings, soft };
      const told = diagnose(of, known);
      expect(told.method).toBe('exact');
      const expected = marginalsByHand(of, known);
      for (const [id, p] of Object.entries(expected))
        expect(Math.abs(told.marginals[id]! - p), `${seed} ${id}`).toBeLessThan(1e-9);
      const leading = told.causes.filter(({ id }) => !(id in findings)).slice(0, 3);
      for (const cause of told.causes.slice(0, 1))
        for (const { finding, weight } of [...cause.for, ...cause.against])
          if (cause.probability > 1e-6 && cause.probability < 1 - 1e-6)
            expect(
              Math.abs(weight - weightByHand(of, known, cause.id, finding)),
              `${seed} ${finding}`,
            ).toBeLessThan(1e-7);
      for (const { finding, expectedBits } of told.nextChecks.slice(0, 3))
        expect(
          Math.abs(
            expectedBits -
              bitsByHand(
                of,
                known,
                finding,
                leading.map(({ id }) => id),
              ),
          ),
          `${seed} ${finding}`,
        ).toBeLessThan(1e-9);
      const shown = new Map(told.unexplained.map(({ finding, probability }) => [finding, probability]));
      for (const { id, kind, table } of of.nodes) {
        if (kind !== 'finding' || table || findings[id] !== true) continue;
        const alone = aloneByHand(of, known, id);
        if (alone > 0.5 + 1e-9)
          expect(Math.abs((shown.get(id) ?? 0) - alone), `${seed} ${id}`).toBeLessThan(1e-9);
        if (alone < 0.5 - 1e-9) expect(shown.has(id), `${seed} ${id}`).toBe(false);
      }
    }
  }, 120_000);

  // The published example of a chest clinic: the marginals of its eight nodes before anything is known, and two answers.
  const clinic = network([
    { id: 'asia', kind: 'root', prior: 0.01 },
    { id: 'smoking', kind: 'root', prior: 0.5 },
    { id: 'tuberculosis', kind: 'mechanism', parents: [{ id: 'asia' }], table: [0.05, 0.01] },
    { id: 'cancer', kind: 'mechanism', parents: [{ id: 'smoking' }], table: [0.1, 0.01] },
    { id: 'bronchitis', kind: 'mechanism', parents: [{ id: 'smoking' }], table: [0.6, 0.3] },
    {
      id: 'either',
      kind: 'mechanism',
      parents: [{ id: 'tuberculosis' }, { id: 'cancer' }],
      table: [1, 1, 1, 0],
    },
    { id: 'x-ray', kind: 'finding', parents: [{ id: 'either' }], table: [0.98, 0.05] },
    {
      id: 'dyspnoea',
      kind: 'finding',
      parents: [{ id: 'either' }, { id: 'bronchitis' }],
      table: [0.9, 0.7, 0.8, 0.1],
    },
  ]);
  it('gives the published figures of the chest clinic', () => {
    const { marginals } = diagnose(clinic, { findings: {} });
    expect(marginals.tuberculosis).toBeCloseTo(0.0104, 4);
    expect(marginals.cancer).toBeCloseTo(0.055, 4);
    expect(marginals.bronchitis).toBeCloseTo(0.45, 4);
    expect(marginals.either).toBeCloseTo(0.0648, 4);
    expect(marginals['x-ray']).toBeCloseTo(0.1103, 4);
    expect(marginals.dyspnoea).toBeCloseTo(0.436, 4);
    // By hand: P(T)·0.98 / P(x-ray) with P(T) = 0.0104.
    expect(diagnose(clinic, { findings: { 'x-ray': true } }).marginals.tuberculosis).toBeCloseTo(
      (0.0104 * 0.98) / 0.11029,
      4,
    );
  });

  it('does not depend on the order in which nodes stand', () => {
    const { network: of, findings, soft } = randomCase(77);
    const turned = { nodes: [...of.nodes].reverse() };
    const [one, other] = [diagnose(of, { findings, soft }), diagnose(turned, { findings, soft })];
    for (const [id, p] of Object.entries(one.marginals)) expect(other.marginals[id]).toBeCloseTo(p, 10);
  });

  it('keeps small probabilities: forty findings at once that share their causes', () => {
    const roots = Array.from({ length: 6 }, (_, at) => ({ id: `r${at}`, kind: 'root', prior: 0.02 }));
    const seen = Array.from({ length: 40 }, (_, at) => ({
      ...{ id: `f${at}`, kind: 'finding', leak: 0.01 },
      parents: roots.map(({ id }, of) => ({ id, strength: (at + of) % 6 === 0 ? 0.9 : 0.05 })),
    }));
    const of = network([...roots, ...seen]);
    const findings = Object.fromEntries(seen.map(({ id }) => [id, true]));
    const { marginals } = diagnose(of, { findings, rankOnly: true });
    // Brute force over the six roots alone; the findings are independent given them.
    const weights = Array.from({ length: 64 }, (_, index) => {
      const on = roots.map((_, bit) => ((index >> bit) & 1) === 1);
      const prior = on.reduce((p, yes) => p * (yes ? 0.02 : 0.98), 1);
      return seen.reduce((p, { parents, leak }) => {
        const fails = parents.reduce((q, { strength }, bit) => (on[bit] ? q * (1 - strength) : q), 1 - leak);
        return p * (1 - fails);
      }, prior);
    });
    const all = weights.reduce((sum, each) => sum + each, 0);
    for (const bit of [0, 1, 2, 3, 4, 5]) {
      const yes = weights.filter((_, index) => (index >> bit) & 1).reduce((sum, each) => sum + each, 0);
      expect(Math.abs(marginals[`r${bit}`]! / (yes / all) - 1)).toBeLessThan(1e-9);
    }
  });

  it('samples to within what it says of itself', () => {
    const { network: of, findings, soft } = randomCase(12);
    const exact = marginalsByHand(of, { findings, soft });
    const { probability, standardError } = sampled(inOrder(of), {
      hard: new Map(Object.entries(findings)),
      soft: new Map(Object.entries(soft)),
    });
    for (const [id, p] of Object.entries(exact))
      expect(Math.abs(probability.get(id)! - p)).toBeLessThan(5 * standardError + 1e-12);
  });

  const two = [
    { id: 'a', kind: 'root', prior: 0.1 },
    { id: 'x', kind: 'finding', leak: 0.02, parents: [{ id: 'a', strength: 0.8 }] },
  ];
  it.each([
    ['a finding that nobody knows', two, { findings: { y: true } }, 'findings.y'],
    ['a ratio of 0', two, { findings: {}, soft: { x: 0 } }, 'soft.x'],
    ['an infinite ratio', two, { findings: {}, soft: { x: Number.POSITIVE_INFINITY } }, 'soft.x'],
    ['a ratio for what is certain', two, { findings: { x: true }, soft: { x: 2 } }, 'soft.x'],
    [
      'a cycle',
      [
        { id: 'a', kind: 'mechanism', leak: 0.1, parents: [{ id: 'b', strength: 0.5 }] },
        { id: 'b', kind: 'mechanism', leak: 0.1, parents: [{ id: 'a', strength: 0.5 }] },
      ],
      { findings: {} },
      'network.nodes.0',
    ],
    [
      'a table of the wrong length',
      [two[0], { id: 'x', kind: 'finding', parents: [{ id: 'a' }], table: [0.1] }],
      { findings: {} },
      'network.nodes.1.table',
    ],
    [
      'a parent that isn’t there',
      [{ id: 'x', kind: 'finding', leak: 0.1, parents: [{ id: 'moon', strength: 0.5 }] }],
      { findings: {} },
      'network.nodes.0.parents.0.id',
    ],
    ['a root without a prior', [{ id: 'a', kind: 'root' }], { findings: {} }, 'network.nodes.0.prior'],
    ['a name that stands twice', [two[0], two[0]], { findings: {} }, 'network.nodes.1.id'],
    [
      'findings that can’t be together',
      [two[0], { id: 'x', kind: 'finding', leak: 0, parents: [{ id: 'a', strength: 0.8 }] }],
      { findings: { a: false, x: true } },
      'findings',
    ],
  ])('refuses %s with its path', (_, nodes, asked, path) => {
    try {
      diagnose(network(nodes), asked);
    } catch (error) {
      expect(error).toBeInstanceOf(BadInput);
      expect((error as BadInput).path).toBe(path);
      return;
    }
    throw new Error('nothing was refused');
  });

  it('refuses a strength of 1.2 by its schema', () => {
    const wrong = { id: 'x', kind: 'finding', parents: [{ id: 'a', strength: 1.2 }] };
    expect(v.safeParse(NetworkSchema, { nodes: [two[0], wrong] }).success).toBe(false);
  });

  it('says nothing new where all findings are absent but that less is likely', () => {
    const { marginals } = diagnose(network(two), { findings: { x: false } });
    // 0.1·0.2·0.98 / (0.1·0.2·0.98 + 0.9·0.98)
    expect(marginals.a).toBeCloseTo(0.02 / 0.92, 12);
  });
});
