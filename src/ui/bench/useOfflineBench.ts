'use client';

import { useEffect } from 'react';
import type { JobSnapshot } from '@/model/snapshot';

/**
 * Lets this device keep the job's page, so that it opens again without network. Browsers only allow it over HTTPS (or on
 * the machine itself); elsewhere the bench works as long as the page stays open.
 */
export function useOfflineBench({ unitTypeId, unitTypeRevision }: PinnedType): void {
  const type = `/api/v1/unit-types/${unitTypeId}/revisions/${unitTypeRevision}`;
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    void keepThisPage(type);
  }, [type]);
}

type PinnedType = Pick<JobSnapshot['job'], 'unitTypeId' | 'unitTypeRevision'>;

async function keepThisPage(type: string): Promise<void> {
  try {
    await navigator.serviceWorker.register(`/bench-worker.js?build=${process.env.NEXT_PUBLIC_BUILD ?? ''}`);
    const { active } = await navigator.serviceWorker.ready;
    const parts = performance
      .getEntriesByType('resource')
      .map(({ name }) => name)
      .filter((name) => new URL(name).pathname.startsWith('/_next/static/'));
    active?.postMessage({ keep: [window.location.href, type, ...parts] });
  } catch {
    // A browser that refuses it (private window, no room) works as before, with network.
  }
}
