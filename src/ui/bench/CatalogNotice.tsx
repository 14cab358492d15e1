'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { CATALOG_NAMES, type CatalogRevisions, JOB_CATALOGS } from '@/model/catalogs';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import type { StationProps } from './StationWork';

interface Preview {
  readonly revisions: CatalogRevisions;
  readonly changes: readonly string[];
}

/** Newer words, rules, thresholds or cautions are there than this job is judged by: what they would change here, and the way over. */
export function CatalogNotice({ job, rights }: StationProps) {
  const { job: current, newestCatalogs } = job.snapshot;
  const [preview, setPreview] = useState<Preview>();
  const [trouble, setTrouble] = useState('');
  const newer = JOB_CATALOGS.filter((kind) => newestCatalogs[kind] > current.catalogs[kind]);
  if (newer.length === 0) return null;
  const url = `/api/v1/jobs/${current.id}/catalogs`;
  const look = async () => {
    const answer = await send<Preview>('GET', url);
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) setPreview(answer.value);
  };
  const adopt = async (revisions: CatalogRevisions) => {
    const answer = await send('PUT', url, { version: current.version, revisions });
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
      data-testid="catalog-notice"
    >
      {newer
        .map(
          (kind) =>
            `Newer ${CATALOG_NAMES[kind]} are out (revision ${newestCatalogs[kind]}); this job keeps revision ${current.catalogs[kind]}.`,
        )
        .join(' ')}{' '}
      {!preview && (
        <Press kind="quiet" onClick={() => void look()}>
          What would they change?
        </Press>
      )}
      {preview && (
        <>
          <Box as="ul" paddingLeft="20px">
            {preview.changes.map((change) => (
              <li key={change}>{change}</li>
            ))}
          </Box>
          {rights.includes('limit.adopt') ? (
            <Press onClick={() => void adopt(preview.revisions)}>Judge this job by the newer ones</Press>
          ) : (
            <Box color="second">The lead can take them over for this job.</Box>
          )}
        </>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
