'use client';

import { CATALOG_NAMES, type CatalogRevisions, JOB_CATALOGS } from '@/model/catalogs';
import { type OfJob, useBench } from '../job/useBench';
import { Offer } from './Offer';

interface Preview {
  readonly revisions: CatalogRevisions;
  readonly changes: readonly string[];
}

/** Newer words, rules, thresholds or cautions are there than this job is judged by. */
export function CatalogNotice({ job }: OfJob) {
  const { rights } = useBench();
  const { job: current, newestCatalogs } = job.snapshot;
  const newer = JOB_CATALOGS.filter((kind) => newestCatalogs[kind] > current.catalogs[kind]);
  if (newer.length === 0) return null;
  return (
    <Offer<Preview>
      testId="catalog-notice"
      words={newer
        .map(
          (kind) =>
            `Newer ${CATALOG_NAMES[kind]} are out (revision ${newestCatalogs[kind]}); this job keeps revision ${current.catalogs[kind]}.`,
        )
        .join(' ')}
      ask="What would they change?"
      url={`/api/v1/jobs/${current.id}/catalogs`}
      changesOf={({ changes }) => changes}
      bodyOf={({ revisions }) => ({ version: current.version, revisions })}
      take={() => 'Judge this job by the newer ones'}
      mayTake={rights.includes('limit.adopt')}
      whoTakes="The lead can take them over for this job."
      onTaken={job.refresh}
    />
  );
}
