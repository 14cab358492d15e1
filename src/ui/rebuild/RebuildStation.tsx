'use client';

import type { OfJob } from '../job/useBench';
import { EmptyState } from '../kit/Notice';
import { BesideSection } from '../section/BesideSection';

/** What can't be done here yet is said, and where it is found until then. */
export function RebuildStation({ job }: OfJob) {
  return (
    <BesideSection job={job} note="Tap a part: its limits and what is to become of it stand on its ticket.">
      <EmptyState>
        Set-up values, torques bolt by bolt, and the bagged pieces going back will be ticked off here. Until
        then the limits stand on each part’s ticket, and “How it goes together” at Strip tells the way back.
      </EmptyState>
    </BesideSection>
  );
}
