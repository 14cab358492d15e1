import { Box } from '@chakra-ui/react';
import { CONTACT_PATTERN_VERSION } from '@/core/imaging/pattern/contactPattern';
import { SURFACE_DAMAGE_VERSION } from '@/core/imaging/pits/surfaceDamage';
import { tellMeasured } from '@/core/imaging/tellMeasured';
import type { recordsOf } from '@/core/strip/recordsOf';
import type { RecordOf } from '@/model/recordKinds';
import { CaptureLine } from '../job/CaptureLine';
import { NotePits } from './NotePits';
import type { Work } from './tool';

export const VERSIONS = { pattern: CONTACT_PATTERN_VERSION, pits: SURFACE_DAMAGE_VERSION } as const;

type KeptReading = ReturnType<typeof recordsOf<'picture-measured'>>[number];

const isOld = ({ method, found }: RecordOf<'picture-measured'>) => method < VERSIONS[found.kind];

/** What was read from this picture before; pits can be told as a finding's extent. */
export function KeptMeasurements({
  work,
  readings,
}: {
  readonly work: Work;
  readonly readings: readonly KeptReading[];
}) {
  return (
    <Box marginTop="12px">
      {readings.map((record) => (
        <Box key={record.id}>
          <CaptureLine kind="record" capture={{ ...record, struck: null }} job={work.job}>
            {tellMeasured(record.content)}
            {isOld(record.content) && '; read by an earlier method, measure anew to compare'}
          </CaptureLine>
          {record.content.found.kind === 'pits' && work.mayTake && (
            <NotePits {...work} positionId={record.content.positionId} measured={record.content} />
          )}
        </Box>
      ))}
    </Box>
  );
}
