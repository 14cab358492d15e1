'use client';

import { useEffect, useState } from 'react';
import type { Rates } from '@/core/causes/placeNetwork';
import type { Calibration, ShopRate } from '@/core/causes/shopCases';
import type { CauseNetwork } from '@/model/causeNetwork';
import { send } from '../kit/send';

export interface KnownCauses {
  readonly network: CauseNetwork;
  readonly rates: Rates;
  /** The day whose counts hold, and how many jobs were settled since. */
  readonly asOf: string;
  /** When this was told, by the shop’s clock. */
  readonly now: string;
  readonly newer: number;
  readonly counted: readonly ShopRate[];
  readonly calibration: Calibration;
}

/** Without network the last that this device has seen of the family serves: it is the same for weeks. */
const keptUnder = (family: string) => `stereotome-causes-${family}`;

export function useCauses(
  jobId: string,
  family: string,
  /** The moment whose counts were taken; empty for those of the day on which the job was booked. */
  asOf: string,
): {
  readonly causes: KnownCauses | undefined;
  readonly trouble: string;
} {
  const [causes, setCauses] = useState<KnownCauses>();
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    let current = true;
    const chosen = asOf === '' ? '' : `?asOf=${encodeURIComponent(asOf)}`;
    void send<KnownCauses>('GET', `/api/v1/jobs/${jobId}/causes${chosen}`).then((answer) => {
      if (!current) return;
      if (answer.ok) {
        keep(family, answer.value);
        return setCauses(answer.value);
      }
      const before = kept(family);
      if (before) setCauses(before);
      else setTrouble(answer.refusal.message);
    });
    return () => {
      current = false;
    };
  }, [jobId, family, asOf]);
  return { causes, trouble };
}

function keep(family: string, causes: KnownCauses): void {
  try {
    window.localStorage.setItem(keptUnder(family), JSON.stringify(causes));
  } catch {
    // A device without room asks again each time.
  }
}

function kept(family: string): KnownCauses | undefined {
  try {
    const text = window.localStorage.getItem(keptUnder(family));
    return text === null ? undefined : (JSON.parse(text) as KnownCauses);
  } catch {
    return undefined;
  }
}
