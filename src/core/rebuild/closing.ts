import type { OpenQuestion } from '@/model/openQuestion';
import type { JobSnapshot } from '@/model/snapshot';
import { type Recorded, recordsOf } from '../strip/recordsOf';
import { type AfterValue, afterValues } from './afterValues';
import { type Proof, proofsOf } from './proofs';
import { type ReworkTicket, reworkTickets } from './reworkTickets';

export interface Deviation {
  /** By which it is signed. */
  readonly key: string;
  readonly words: string;
  readonly signed: Recorded<'signed-off'> | undefined;
}

export interface Closing {
  readonly values: readonly AfterValue[];
  readonly proofs: readonly Proof[];
  readonly tickets: readonly ReworkTicket[];
  /** What leaves otherwise than it should: each wants a signature. */
  readonly deviations: readonly Deviation[];
  readonly dates: readonly Recorded<'recheck'>[];
}

type Sources = Pick<JobSnapshot, 'unitType' | 'records' | 'decisions' | 'readings' | 'gauges' | 'timeZone'>;

/** Everything that closes a rebuild beside its steps: figures, proofs, rework, and what somebody must answer for. */
export function closingOf(sources: Sources): Closing {
  const values = afterValues(sources);
  const proofs = proofsOf(sources);
  const signed = new Map(recordsOf(sources.records, 'signed-off').map((each) => [each.content.of, each]));
  const deviation = (key: string, words: string): Deviation => ({ key, words, signed: signed.get(key) });
  return {
    ...{ values, proofs, tickets: reworkTickets(sources) },
    deviations: [
      ...values
        .filter(({ state }) => state === 'beyond' || state === 'too-close')
        .map(({ key, check, position, state }) =>
          deviation(
            key,
            `${check.title} of ${position.name}: ${state === 'beyond' ? 'beyond its limit' : 'too close to call'}`,
          ),
        ),
      ...proofs
        .filter(({ state }) => state === 'fail' || state === 'cant-say')
        .map(({ line, state, words }) =>
          deviation(
            `proof:${line.id}`,
            `${line.title}: ${state === 'fail' ? line.fail : 'it can’t be said'}${words ? ` (${words})` : ''}`,
          ),
        ),
    ],
    dates: recordsOf(sources.records, 'recheck'),
  };
}

/** What of it is still open once a rebuild has begun. */
export function openOfClosing(sources: Sources): OpenQuestion[] {
  const { values, proofs, tickets, deviations } = closingOf(sources);
  return [
    ...tickets
      .filter(({ state }) => state !== 'within' && state !== 'dropped')
      .map(
        ({ position, words, state }): OpenQuestion => ({
          ...{ code: 'rework-open', positionId: position.id, work: words, isBack: state !== 'out' },
        }),
      ),
    ...values
      .filter(({ state }) => state === 'open')
      .map(
        ({ check, position }): OpenQuestion => ({
          ...{ code: 'not-measured-after', positionId: position.id, checkId: check.id, check: check.title },
        }),
      ),
    ...proofs
      .filter(({ state }) => state === 'open')
      .map(
        ({ line }): OpenQuestion => ({
          ...{ code: 'not-proved', positionId: null, proofId: line.id, proof: line.title },
        }),
      ),
    ...deviations
      .filter((each) => !each.signed)
      .map(({ key, words }): OpenQuestion => ({ code: 'deviation-unsigned', positionId: null, key, words })),
  ];
}
