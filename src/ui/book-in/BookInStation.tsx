'use client';

import { suspectsOfSymptoms } from '@/core/gearing/symptomSuspects';
import { IdentityPanel } from '../identity/IdentityPanel';
import type { OfJob } from '../job/useBench';
import { BesideSection } from '../section/BesideSection';
import { CatalogNotice } from './CatalogNotice';
import { JobSheet } from './JobSheet';
import { SheetNotice } from './SheetNotice';

/** What the counter wrote down, beside the unit it is about: where the symptoms point is marked on it. */
export function BookInStation({ job }: OfJob) {
  const { unitType, job: head } = job.snapshot;
  const suspects = suspectsOfSymptoms(unitType, head.symptoms).map(({ positionId }) => positionId);
  return (
    <BesideSection
      job={job}
      marked={suspects}
      note={
        suspects.length > 0
          ? 'Marked: where the symptoms point first. Tap a part to open its ticket.'
          : 'Tap a part to open its ticket.'
      }
    >
      <SheetNotice job={job} />
      <CatalogNotice job={job} />
      <JobSheet job={job} />
      <IdentityPanel job={job} />
    </BesideSection>
  );
}
