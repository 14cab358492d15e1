'use client';

import { type OfJob, useBench } from '../job/useBench';
import { Offer } from './Offer';

interface Preview {
  readonly revision: number;
  /** Of checks and limits. */
  readonly changes: readonly string[];
  /** Of everything else in the description. */
  readonly described: readonly string[];
}

/** A newer revision of the unit type, with its limit sheet, is out: what it would change here, and the way to go over to it. */
export function SheetNotice({ job }: OfJob) {
  const { rights } = useBench();
  const { job: current, newestRevision } = job.snapshot;
  if (newestRevision <= current.unitTypeRevision) return null;
  return (
    <Offer<Preview>
      testId="sheet-notice"
      words={`This job is judged by revision ${current.unitTypeRevision} of its limit sheet; revision ${newestRevision} is out.`}
      ask="What would it change?"
      url={`/api/v1/jobs/${current.id}/sheet`}
      changesOf={({ changes, described }) => [...changes, ...described]}
      bodyOf={({ revision }) => ({ version: current.version, revision })}
      take={({ revision }) => `Judge this job by revision ${revision}`}
      mayTake={rights.includes('limit.adopt')}
      whoTakes="The lead can take it over for this job."
      onTaken={job.refresh}
    />
  );
}
