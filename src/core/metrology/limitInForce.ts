import type { Check, Limit } from '@/model/checks';

const KINDS: readonly Limit['kind'][] = ['service', 'set-up', 'new'];

/** A shop's figure with a reason stands before the maker's; else the maker's comes first and a rule of the trade last. */
const rank = ({ source, reason }: Limit): number =>
  source.kind === 'shop' && reason ? 0 : { maker: 1, shop: 2, field: 3 }[source.kind];

const byRank = (limits: readonly Limit[]): Limit[] => [...limits].sort((a, b) => rank(a) - rank(b));

/**
 * The limit that a check is judged by. A part that comes off a machine is judged by when to renew it; a set-up or new
 * limit serves where that is missing.
 */
export function limitInForce(check: Pick<Check, 'limits'>): Limit | undefined {
  return limitsOfKind(check)[0];
}

/** The limits of the same kind that stand beside the one in force: the maker's own figure is never hidden by an override. */
export function limitsBeside(check: Pick<Check, 'limits'>): readonly Limit[] {
  return limitsOfKind(check).slice(1);
}

function limitsOfKind({ limits }: Pick<Check, 'limits'>): Limit[] {
  const kind = KINDS.find((each) => limits.some((limit) => limit.kind === each));
  return byRank(limits.filter((limit) => limit.kind === kind));
}
