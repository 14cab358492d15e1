import { BadInput } from '../badInput';
import { clean } from './clean';
import type { Evidence } from './inference/factorsOf';
import { type Posterior, posterior, TooWide } from './inference/posterior';
import { sampled } from './inference/sampled';
import { inOrder, type Network, type NetworkNode, ownProbability } from './network';
import { leadingOf, type NextCheck, nextChecks, withOutcomes } from './nextChecks';

export interface Weighed {
  readonly finding: string;
  /** Natural log-odds of the cause with the finding, less those without it. */
  readonly weight: number;
}

export interface RankedCause {
  readonly id: string;
  readonly probability: number;
  readonly prior: number;
  readonly for: readonly Weighed[];
  readonly against: readonly Weighed[];
}

export interface Diagnosis {
  readonly causes: readonly RankedCause[];
  readonly unexplained: readonly { readonly finding: string; readonly probability: number }[];
  readonly nextChecks: readonly NextCheck[];
  readonly method: 'exact' | 'sampled';
  readonly marginals: Readonly<Record<string, number>>;
  /** By group that was asked for: P(at least one of its nodes is true). */
  readonly anyOf?: Readonly<Record<string, number>>;
  /** Of sampled figures: the largest standard error of a probability. */
  readonly standardError?: number;
}

export interface Asked {
  readonly findings: Readonly<Record<string, boolean>>;
  readonly soft?: Readonly<Record<string, number>>;
  readonly top?: number;
  /** Causes whose evidence is weighed piece by piece; all that are ranked where it is left out. */
  readonly weigh?: readonly string[];
  /** So many of the foremost causes are weighed piece by piece, where none are named. */
  readonly weighFirst?: number;
  /** Of so many of the checks it is told what each answer would bring. */
  readonly outcomesOf?: number;
  /** What to look at next is to tell apart only causes that something speaks for; all of the leading ones where it is left out. */
  readonly risenOnly?: boolean;
  /** Groups of nodes of which the probability is wanted that at least one is true. */
  readonly anyOf?: ReadonlyMap<string, readonly string[]>;
  /** Leave out what to look at next, and what nothing explains: the ranking alone. */
  readonly rankOnly?: boolean;
}

/**
 * What the findings say of the causes of a network: exact by a join tree, or sampled where that would be too wide.
 * @throws BadInput for a network that is none, findings that it doesn't know, ratios that are no ratios, findings that can't be together
 */
export function diagnose(network: Network, asked: Asked): Diagnosis {
  const order = inOrder(network);
  const evidence = evidenceOf(order, asked);
  try {
    return exactly(order, posterior(order, evidence), asked);
  } catch (error) {
    if (error instanceof TooWide) return bySampling(order, evidence, asked);
    throw error;
  }
}

function evidenceOf(order: readonly NetworkNode[], { findings, soft = {} }: Asked): Evidence {
  const known = new Set(order.map(({ id }) => id));
  for (const id of Object.keys(findings))
    if (!known.has(id)) throw new BadInput(`findings.${id}`, `the network has no node “${id}”`);
  for (const [id, ratio] of Object.entries(soft)) {
    if (!known.has(id)) throw new BadInput(`soft.${id}`, `the network has no node “${id}”`);
    if (Object.hasOwn(findings, id))
      throw new BadInput(`soft.${id}`, `“${id}” is among the findings already`);
    if (!(ratio > 0 && Number.isFinite(ratio)))
      throw new BadInput(`soft.${id}`, 'a ratio lies above 0 and is finite');
  }
  return { hard: new Map(Object.entries(findings)), soft: new Map(Object.entries(soft)) };
}

function exactly(order: readonly NetworkNode[], known: Posterior, asked: Asked): Diagnosis {
  const { top = 10, weigh, weighFirst = top, rankOnly = false, anyOf } = asked;
  const marginals = Object.fromEntries(order.map(({ id }) => [id, clean(known.probability(id))]));
  const ranked = order
    .filter(({ kind }) => kind === 'root')
    .sort((a, b) => marginals[b.id]! - marginals[a.id]!)
    .slice(0, top);
  const weighed = ranked
    .filter(({ id }, place) => (weigh && weigh.length > 0 ? weigh.includes(id) : place < weighFirst))
    .map(({ id }) => id);
  const weights = rankOnly ? new Map<string, Weighed[]>() : weightsOf(known, asked, weighed, marginals);
  const priors = priorsOf(order, ranked);
  return {
    causes: ranked.map((node) => {
      const own = weights.get(node.id) ?? [];
      return {
        ...{ id: node.id, probability: marginals[node.id]!, prior: priors.get(node.id)! },
        for: own.filter(({ weight }) => weight > 0).sort((a, b) => b.weight - a.weight),
        against: own.filter(({ weight }) => weight < 0).sort((a, b) => a.weight - b.weight),
      };
    }),
    unexplained: rankOnly ? [] : unexplained(order, known, asked),
    nextChecks: rankOnly
      ? []
      : withOutcomes(
          nextChecks(order, known, asked, leadingOf(ranked, priors, marginals, asked), marginals),
          known,
          asked,
          ranked,
          marginals,
        ),
    ...{ method: 'exact', marginals },
    ...(anyOf ? { anyOf: atLeastOne(known, asked, anyOf) } : {}),
  };
}

/** What each cause was before anything was known: of a root that nothing excludes that is its rate. */
function priorsOf(order: readonly NetworkNode[], ranked: readonly NetworkNode[]): Map<string, number> {
  const tied = ranked.some(({ parents, table }) => parents.length > 0 || table);
  const before = tied ? posterior(order, { hard: new Map(), soft: new Map() }) : undefined;
  return new Map(
    ranked.map((node) => {
      const rate = node.parents.length === 0 && !node.table ? ownProbability(node) : undefined;
      return [node.id, rate ?? clean(before!.probability(node.id))];
    }),
  );
}

function atLeastOne(
  known: Posterior,
  { findings }: Asked,
  groups: ReadonlyMap<string, readonly string[]>,
): Record<string, number> {
  return Object.fromEntries(
    [...groups].map(([name, ids]) => {
      if (ids.some((id) => findings[id] === true)) return [name, 1];
      const open = ids.filter((id) => !Object.hasOwn(findings, id));
      return [name, clean(1 - known.together(new Map(open.map((id) => [id, false]))))];
    }),
  );
}

const SURELY = 1e-15;
const logOdds = (p: number): number => {
  const inside = Math.min(1 - SURELY, Math.max(SURELY, p));
  return Math.log(inside / (1 - inside));
};

function weightsOf(
  known: Posterior,
  { findings, soft = {} }: Asked,
  causes: readonly string[],
  marginals: Readonly<Record<string, number>>,
): Map<string, Weighed[]> {
  const weights = new Map(causes.map((id): [string, Weighed[]] => [id, []]));
  for (const finding of [...Object.keys(findings), ...Object.keys(soft)]) {
    if (weights.size === 0) break;
    const without = known.without(finding);
    for (const [cause, list] of weights)
      if (cause !== finding)
        list.push({
          finding,
          weight: logOdds(marginals[cause]!) - logOdds(clean(without.probability(cause))),
        });
  }
  return weights;
}

/** True findings that more probably than not came from no cause that is modelled. */
function unexplained(order: readonly NetworkNode[], known: Posterior, { findings }: Asked) {
  return order
    .filter(({ id, kind }) => kind === 'finding' && findings[id] === true)
    .flatMap(({ id }) => {
      const probability = known.alone(id);
      return probability !== undefined && probability > 0.5
        ? [{ finding: id, probability: clean(probability) }]
        : [];
    });
}

/** Without weights and without what to look at next: figures that are drawn are too rough for either. */
function bySampling(
  order: readonly NetworkNode[],
  evidence: Evidence,
  { top = 10, anyOf }: Asked,
): Diagnosis {
  const { probability, standardError, effective } = sampled(order, evidence);
  if (effective === 0) throw new BadInput('findings', 'these can’t be true together in this network');
  const marginals = Object.fromEntries(probability);
  const priors = sampled(order, { hard: new Map(), soft: new Map() }).probability;
  const causes = order
    .filter(({ kind }) => kind === 'root')
    .map(({ id }) => ({
      ...{ id, probability: marginals[id]!, prior: priors.get(id)! },
      ...{ for: [], against: [] },
    }))
    .sort((a, b) => b.probability - a.probability)
    .slice(0, top);
  // Of what was drawn only the single nodes are kept: the likeliest of a group stands for it.
  const groups = [...(anyOf ?? [])].map(([name, ids]) => [
    name,
    Math.max(0, ...ids.map((id) => marginals[id]!)),
  ]);
  return {
    ...{ causes, unexplained: [], nextChecks: [], method: 'sampled', marginals, standardError },
    ...(anyOf ? { anyOf: Object.fromEntries(groups) } : {}),
  };
}
