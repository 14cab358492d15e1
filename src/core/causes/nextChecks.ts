import { clean } from './clean';
import type { Posterior } from './inference/posterior';
import type { NetworkNode } from './network';

export interface NextCheck {
  readonly finding: string;
  /** Mutual information between what it may show and the joint state of the three leading roots, bits. */
  readonly expectedBits: number;
  /** Minutes, or 1 where nobody said how long it takes. */
  readonly effort: number;
  /** The cause that leads once it shows the one or the other; of the first few where that was asked for. */
  readonly ifSeen?: Outcome;
  readonly ifAbsent?: Outcome;
}

export interface Outcome {
  readonly leading: string;
  readonly probability: number;
}

/** Of what is asked, what decides about what to look at next. */
interface AskedNext {
  readonly findings: Readonly<Record<string, boolean>>;
  readonly soft?: Readonly<Record<string, number>>;
  readonly risenOnly?: boolean;
  readonly outcomesOf?: number;
}

const LEADING = 3;

/** Of what the foremost has risen; less than this is chance. */
const SLIGHT = 0.15;

/** The causes that lead; or, of those that something speaks for, those that have risen most above what they were before. */
export function leadingOf(
  ranked: readonly NetworkNode[],
  priors: ReadonlyMap<string, number>,
  marginals: Readonly<Record<string, number>>,
  { findings, risenOnly = false }: AskedNext,
): NetworkNode[] {
  const open = ranked.filter(({ id }) => !Object.hasOwn(findings, id));
  const rise = ({ id }: NetworkNode) => marginals[id]! - priors.get(id)!;
  const most = Math.max(0, ...open.map(rise));
  const risen = open.filter((node) => rise(node) > SLIGHT * most).sort((a, b) => rise(b) - rise(a));
  return (risenOnly && risen.length > 0 ? risen : open).slice(0, LEADING);
}

/** Minutes that it takes to go there and put it down, whatever is looked at. */
const TO_GO_THERE = 5;
/** What a check is worth for the time that it takes. */
const worth = ({ expectedBits, effort }: Omit<NextCheck, 'finding'>): number =>
  expectedBits / (effort + TO_GO_THERE);

export function nextChecks(
  order: readonly NetworkNode[],
  known: Posterior,
  { findings, soft = {} }: AskedNext,
  leading: readonly NetworkNode[],
  marginals: Readonly<Record<string, number>>,
): NextCheck[] {
  const open = order.filter(
    ({ id, kind }) => kind === 'finding' && !Object.hasOwn(findings, id) && !Object.hasOwn(soft, id),
  );
  if (open.length === 0 || leading.length === 0) return [];
  const cases = statesOf(leading.map(({ id }) => id)).flatMap((states) => {
    const probability = known.together(states);
    return probability > 1e-14 ? [{ probability, given: known.given(states) }] : [];
  });
  return open
    .map(({ id, effort = 1 }) => {
      const left = cases.reduce(
        (sum, { probability, given }) => sum + probability * entropy(clean(given.probability(id))),
        0,
      );
      return { finding: id, expectedBits: Math.max(0, entropy(marginals[id]!) - left), effort };
    })
    .sort((a, b) => worth(b) - worth(a));
}

/** Of the foremost causes one will lead, whatever a check shows. */
const CONTENDERS = 6;

/** What leads once a check shows the one or the other, by Bayes from how probable it is under each of the foremost causes. */
export function withOutcomes(
  checks: readonly NextCheck[],
  known: Posterior,
  { outcomesOf = 0 }: AskedNext,
  ranked: readonly NetworkNode[],
  marginals: Readonly<Record<string, number>>,
): NextCheck[] {
  if (outcomesOf === 0) return [...checks];
  const contenders = ranked
    .slice(0, CONTENDERS)
    .map(({ id }) => ({ id, given: known.given(new Map([[id, true]])) }));
  return checks.map((check, place) => {
    if (place >= outcomesOf) return check;
    const p = marginals[check.finding]!;
    const leading = (seen: boolean): Outcome =>
      contenders
        .map(({ id, given }) => {
          const under = clean(given.probability(check.finding));
          const share = seen ? under / p : (1 - under) / (1 - p);
          return { leading: id, probability: clean(marginals[id]! * share) };
        })
        .reduce((most, each) => (each.probability > most.probability ? each : most));
    return { ...check, ifSeen: leading(true), ifAbsent: leading(false) };
  });
}

function statesOf(ids: readonly string[]): Map<string, boolean>[] {
  return Array.from(
    { length: 2 ** ids.length },
    (_, index) => new Map(ids.map((id, bit) => [id, ((index >> bit) & 1) === 1])),
  );
}

const entropy = (p: number): number =>
  p <= 0 || p >= 1 ? 0 : -(p * Math.log2(p) + (1 - p) * Math.log2(1 - p));
