'use client';

import { useEffect, useState } from 'react';
import type { JobSnapshot } from '@/model/snapshot';
import { filesOfWorkers } from '../kit/background';
import { fetchAll } from '../kit/later';

/** All of it is here as long as the page stays open; or lies on the device, and opens again without network. */
export type OnDevice = 'open' | 'kept' | undefined;

type PinnedType = Pick<JobSnapshot['job'], 'id' | 'unitTypeId' | 'unitTypeRevision'>;

/**
 * Lets this device keep the job's page, so that it opens again without network: everything that comes later is fetched when there is
 * nothing else to do, then all of it is handed to the device's worker. Browsers only allow that over HTTPS (or on the machine
 * itself); elsewhere the bench works as long as the page stays open.
 */
export function useOfflineBench({ id: jobId, unitTypeId, unitTypeRevision }: PinnedType): OnDevice {
  const [onDevice, setOnDevice] = useState<OnDevice>();
  const type = `/api/v1/unit-types/${unitTypeId}/revisions/${unitTypeRevision}`;
  useEffect(() => {
    let gone = false;
    const keep = async () => {
      await arrived();
      await fetchAll();
      if (!gone) setOnDevice('open');
      if ('serviceWorker' in navigator && (await keepThisPage(jobId, type)) && !gone) setOnDevice('kept');
    };
    void keep();
    return () => {
      gone = true;
    };
  }, [jobId, type]);
  return onDevice;
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Once what this page was opened for stands there, and the browser has nothing else to do. */
async function arrived(): Promise<void> {
  // Whoever only passes through need not fetch all of it.
  do await pause(1500);
  while (document.querySelector('[data-loading]'));
  const idle = window.requestIdleCallback ?? ((work: () => void) => window.setTimeout(work, 500));
  await new Promise<void>((resolve) => idle(() => resolve()));
}

async function keepThisPage(jobId: string, type: string): Promise<boolean> {
  try {
    await navigator.serviceWorker.register(`/bench-worker.js?build=${process.env.NEXT_PUBLIC_BUILD ?? ''}`);
    const { active } = await navigator.serviceWorker.ready;
    if (!active) return false;
    const loaded = performance.getEntriesByType('resource').map(({ name }) => name);
    const parts = [...loaded, ...(await filesOfWorkers())].filter((name) =>
      new URL(name).pathname.startsWith('/_next/static/'),
    );
    const kept = await answered(active, { keep: [window.location.href, type, ...parts] });
    return kept && (await jobIsKept(jobId));
  } catch {
    // A browser that refuses it (private window, no room) works as before, with network.
    return false;
  }
}

const ASKED_TIMES = 50;

/** The job itself is kept by its store, which names the one it kept last; a device that can't keep it never says so. */
async function jobIsKept(jobId: string): Promise<boolean> {
  const isKept = () => document.documentElement.dataset.kept === jobId;
  for (let asked = 0; asked < ASKED_TIMES && !isKept(); asked += 1) await pause(200);
  return isKept();
}

/** The worker's answer comes once all of it lies on the device. */
function answered(worker: ServiceWorker, message: unknown): Promise<boolean> {
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = ({ data }) => resolve(data === 'kept');
    worker.postMessage(message, [port2]);
  });
}
