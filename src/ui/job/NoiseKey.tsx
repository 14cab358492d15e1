'use client';

import { AudioLines } from 'lucide-react';
import { findActive } from '@/core/wear/active';
import { Press } from '../kit/Press';
import { type OfJob, useBench } from './useBench';

/** Leads to the desk with the recordings of this job. */
export function NoiseKey({ job }: OfJob) {
  const { place, rights } = useBench();
  const recordings = findActive(job.snapshot.recordings).length;
  if (recordings === 0 && !rights.includes('capture.take')) return null;
  return (
    <Press onClick={() => place.goTo({ sound: 'all' })}>
      <AudioLines size={20} aria-hidden />
      {recordings === 0
        ? 'Record the noise'
        : `Noise: ${recordings === 1 ? 'one recording' : `${recordings} recordings`}`}
    </Press>
  );
}
