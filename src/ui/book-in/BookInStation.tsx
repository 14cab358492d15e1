'use client';

import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import { suspectsOfSymptoms } from '@/core/gearing/symptomSuspects';
import { IdentityPanel } from '../identity/IdentityPanel';
import { NoiseKey } from '../job/NoiseKey';
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
      {head.comebackOf && (
        <Box
          borderLeft="4px solid"
          borderColor="oxide"
          paddingLeft="12px"
          marginBottom="12px"
          data-testid="comeback"
        >
          <strong>A comeback.</strong> It hung here before, on{' '}
          <Link href={`/jobs/${head.comebackOf.peg}`}>peg {head.comebackOf.peg}</Link>. The shop’s own
          settings, parts, dirt and fill stand among the causes; keep a sealed sample of the oil, and let a
          second person sign before it is refused.
        </Box>
      )}
      <SheetNotice job={job} />
      <CatalogNotice job={job} />
      <JobSheet job={job} />
      <NoiseKey job={job} />
      <IdentityPanel job={job} />
    </BesideSection>
  );
}
