'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import type { StationProps } from './StationWork';

interface Preview {
  readonly revision: number;
  /** Of checks and limits. */
  readonly changes: readonly string[];
  /** Of everything else in the description. */
  readonly described: readonly string[];
}

/** A newer revision of the unit type, with its limit sheet, is out: what it would change here, and the way to go over to it. */
export function SheetNotice({ job, rights }: StationProps) {
  const { job: current, newestRevision } = job.snapshot;
  const [preview, setPreview] = useState<Preview>();
  const [trouble, setTrouble] = useState('');
  if (newestRevision <= current.unitTypeRevision) return null;
  const url = `/api/v1/jobs/${current.id}/sheet`;
  const look = async () => {
    const answer = await send<Preview>('GET', url);
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) setPreview(answer.value);
  };
  const adopt = async (revision: number) => {
    const answer = await send('PUT', url, { version: current.version, revision });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    setPreview(undefined);
    await job.refresh();
  };
  return (
    <Box
      borderLeft="4px solid"
      borderColor="metal"
      paddingLeft="12px"
      marginBottom="12px"
      data-testid="sheet-notice"
    >
      This job is judged by revision {current.unitTypeRevision} of its limit sheet; revision {newestRevision}{' '}
      is out.{' '}
      {!preview && (
        <Press kind="quiet" onClick={() => void look()}>
          What would it change?
        </Press>
      )}
      {preview && (
        <>
          <Box as="ul" paddingLeft="20px">
            {[...preview.changes, ...preview.described].map((change) => (
              <li key={change}>{change}</li>
            ))}
          </Box>
          {rights.includes('limit.adopt') ? (
            <Press onClick={() => void adopt(preview.revision)}>
              Judge this job by revision {preview.revision}
            </Press>
          ) : (
            <Box color="second">The lead can take it over for this job.</Box>
          )}
        </>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
