import * as v from 'valibot';
import { type Policies, PoliciesSchema, type PolicyId, USUAL_POLICIES } from '@/model/policies';
import type { JobSnapshot } from '@/model/snapshot';
import { recordsOf } from '../strip/recordsOf';

export interface PolicyOfJob {
  readonly by: string;
  readonly reason: string;
}

export interface PoliciesInForce {
  readonly policies: Policies;
  /** Those in which this job goes its own way, by whom and why. */
  readonly own: Partial<Record<PolicyId, PolicyOfJob>>;
}

/** The shop's policies, and what this job has its own. A choice that this program doesn't know counts for nothing. */
export function policiesInForce({
  policies: shop = USUAL_POLICIES,
  records,
}: Pick<JobSnapshot, 'policies' | 'records'>): PoliciesInForce {
  let policies = shop;
  const own: Partial<Record<PolicyId, PolicyOfJob>> = {};
  for (const { author, content } of recordsOf(records, 'policy-set')) {
    const id = content.policy as PolicyId;
    const chosen = content.choice ?? shop[id];
    const next = v.safeParse(PoliciesSchema, { ...policies, [id]: chosen });
    if (!(id in shop) || !next.success) continue;
    policies = next.output;
    if (content.choice === undefined) delete own[id];
    else own[id] = { by: author, reason: content.reason };
  }
  return { policies, own };
}
