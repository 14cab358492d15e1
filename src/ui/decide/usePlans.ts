'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { ToldPlans } from '@/core/planning/suppliers';
import { recordsOf } from '@/core/strip/recordsOf';
import type { JobSnapshot } from '@/model/snapshot';

export interface PlansAsked {
  readonly told: ToldPlans | undefined;
  readonly trouble: string;
  readonly isWorking: boolean;
  /** The best that is found in a moment, with how far it may be from the cheapest. */
  readonly stop: () => void;
}

const WHILE_WAITING_MS = 1_500;
const A_MOMENT_S = 0.5;

/** The plans of a job, anew when a decision, a count or an offer changes; while suppliers are waited for, again and again. */
export function usePlans(job: JobSnapshot, isStored: boolean): PlansAsked {
  const [told, setTold] = useState<ToldPlans>();
  const [trouble, setTrouble] = useState('');
  const [isWorking, setWorking] = useState(false);
  const running = useRef<AbortController>(undefined);
  const key = keyOf(job);
  const ask = useCallback(
    async (seconds?: number) => {
      running.current?.abort();
      const own = new AbortController();
      running.current = own;
      setWorking(true);
      try {
        const query = seconds === undefined ? '' : `?seconds=${seconds}`;
        const response = await fetch(`/api/v1/jobs/${job.job.id}/plans${query}`, { signal: own.signal });
        const answer = (await response.json()) as ToldPlans & { message?: string };
        if (own.signal.aborted) return;
        if (response.ok) setTold(answer);
        setTrouble(response.ok ? '' : (answer.message ?? 'The plans can’t be made.'));
      } catch {
        if (own.signal.aborted) return;
        setTrouble('Plans are made on the shop’s computer, which can’t be reached now.');
      }
      setWorking(false);
    },
    [job.job.id],
  );
  // Only what is stored is planned with: what still waits on this device comes with the next one.
  useEffect(() => {
    if (isStored && key !== '') void ask();
  }, [ask, key, isStored]);
  const waits = told?.suppliers.some(({ state }) => state === 'waiting') ?? false;
  useEffect(() => {
    if (!waits || isWorking) return;
    const timer = setTimeout(() => void ask(), WHILE_WAITING_MS);
    return () => clearTimeout(timer);
  }, [waits, isWorking, ask]);
  useEffect(() => () => running.current?.abort(), []);
  return { told, trouble, isWorking, stop: () => void ask(A_MOMENT_S) };
}

const COUNTS = [
  'prices-asked',
  'offer-noted',
  'identity-measured',
  'policy-set',
  'parts-ordered',
  'order-cancelled',
  'step',
] as const;

/** All that a plan rests on. */
const keyOf = ({ decisions, identities, records }: JobSnapshot): string =>
  JSON.stringify([
    decisions.map(({ positionId, decision }) => [positionId, decision]),
    identities.map(({ pairId, version }) => [pairId, version]),
    COUNTS.map((what) => recordsOf(records, what).length),
  ]);
