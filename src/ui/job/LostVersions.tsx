'use client';

import { Box } from '@chakra-ui/react';
import { lostVersions } from '@/core/open/lostVersions';
import type { JudgedKind } from '@/model/job';
import type { CaptureConflict } from '@/model/snapshot';
import { longInstant } from '../kit/dates';
import { ErrorNotice } from '../kit/Notice';
import type { BenchJob } from './useJob';

interface LostVersionsProps {
  readonly job: BenchJob;
  readonly kind: JudgedKind;
  readonly holds: { readonly version: number } | null | undefined;
  /** Which of them are meant, where a job has several of the kind. */
  readonly of?: (conflict: CaptureConflict) => boolean;
  /** How one of them reads in one line. */
  readonly tell: (content: CaptureConflict['content']) => string;
}

/** Of two who judged without knowing of each other, what the second put down: it is kept, and whoever judges again settles it. */
export function LostVersions({ job, kind, holds, of = () => true, tell }: LostVersionsProps) {
  const lost = lostVersions(job.snapshot.conflicts, kind, holds).filter(of);
  if (lost.length === 0) return null;
  return (
    <ErrorNotice>
      {lost.map(({ digest, author, receivedAt, content }) => (
        <Box key={digest} color="ink">
          <strong>{author}</strong> put down another without knowing of this one ({longInstant(receivedAt)}):{' '}
          {tell(content)}
        </Box>
      ))}
      Both are kept. Put down what holds, and it is settled.
    </ErrorNotice>
  );
}
