import { IDENTITY_KEYS, type Identity, type IdentityKey, type Offer } from '@/model/offers';
import type { JobSnapshot } from '@/model/snapshot';
import { countablePairs, positionsOfPair } from '../gearing/countablePairs';
import { recordsOf } from '../strip/recordsOf';

export interface Compared {
  readonly key: IdentityKey;
  readonly name: string;
  readonly unit: string;
  readonly offered: number;
  /** Counted or measured on the bench; undefined where nobody has. */
  readonly counted: number | undefined;
  readonly differs: boolean;
}

/** What was counted and measured on the bench, by part. */
export function benchIdentity({
  unitType,
  identities,
  records,
}: Pick<JobSnapshot, 'unitType' | 'identities' | 'records'>): ReadonlyMap<string, Identity> {
  const found = new Map<string, Identity>();
  const put = (part: string, values: Identity) => found.set(part, { ...found.get(part), ...values });
  for (const pair of countablePairs(unitType)) {
    const entry = identities.find(({ pairId }) => pairId === pair.id);
    if (!entry) continue;
    const counted: Identity = {
      ...{ 'pinion-teeth': entry.pinionTeeth, 'ring-teeth': entry.ringTeeth },
      ...(entry.splinesCounted === undefined ? {} : { splines: entry.splinesCounted }),
    };
    for (const part of positionsOfPair(unitType, pair)) put(part, counted);
  }
  for (const { content } of recordsOf(records, 'identity-measured'))
    put(content.positionId, { [content.key]: content.value });
  return found;
}

/** A line's identity beside what the bench has of the parts that it supplies; of several parts the first that has it counts. */
export function compareIdentity(
  { supplies, identity }: Pick<Offer, 'supplies' | 'identity'>,
  bench: ReadonlyMap<string, Identity>,
): Compared[] {
  return IDENTITY_KEYS.flatMap(({ id, name, unit, within }): Compared[] => {
    const offered = identity[id];
    if (offered === undefined) return [];
    const counted = supplies.map(({ part }) => bench.get(part)?.[id]).find((value) => value !== undefined);
    const differs = counted !== undefined && Math.abs(counted - offered) > within + 1e-9;
    return [{ key: id, name, unit, offered, counted, differs }];
  });
}

/** Teeth and splines: a gear with another count looks the same in the box. */
const MUST_BE_COUNTED: ReadonlySet<IdentityKey> = new Set(['pinion-teeth', 'ring-teeth', 'splines']);

/** Why a line can't be ordered as it is offered; undefined where it can. */
export function whyBarred(
  offer: Pick<Offer, 'supplies' | 'identity'>,
  bench: ReadonlyMap<string, Identity>,
): string | undefined {
  const lines = compareIdentity(offer, bench);
  const wrong = lines.filter(({ differs }) => differs);
  if (wrong.length > 0)
    return wrong
      .map(
        ({ name, offered, counted, unit }) =>
          `${name}: counted ${tell(counted!, unit)}, offered ${tell(offered, unit)}`,
      )
      .join('; ');
  const open = lines.filter(({ key, counted }) => counted === undefined && MUST_BE_COUNTED.has(key));
  return open.length > 0
    ? `nobody has counted the ${open.map(({ name }) => name).join(' and ')} yet`
    : undefined;
}

const tell = (value: number, unit: string): string => (unit === '' ? String(value) : `${value} ${unit}`);
