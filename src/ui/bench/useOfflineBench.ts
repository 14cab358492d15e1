'use client';

import { useEffect } from 'react';

/**
 * Lets this device keep the job's page, so that it opens again without network. Browsers only allow it over HTTPS (or on
 * the machine itself); elsewhere the bench works as long as the page stays open.
 */
export function useOfflineBench(jobId: string): void {
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    void keepThisPage(jobId);
  }, [jobId]);
}

async function keepThisPage(jobId: string): Promise<void> {
  try {
    await navigator.serviceWorker.register(`/bench-worker.js?build=${process.env.NEXT_PUBLIC_BUILD ?? ''}`);
    const { active } = await navigator.serviceWorker.ready;
    const parts = performance
      .getEntriesByType('resource')
      .map(({ name }) => name)
      .filter((name) => new URL(name).pathname.startsWith('/_next/static/'));
    active?.postMessage({ keep: [window.location.href, `/api/v1/jobs/${jobId}`, ...parts] });
  } catch {
    // A browser that refuses it (private window, no room) works as before, with network.
  }
}
