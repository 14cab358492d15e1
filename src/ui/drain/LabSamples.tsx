'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { formatNumber } from '@/core/quantity/format';
import { type JudgedElement, judgeSample } from '@/core/strip/labSample';
import { recordsOf } from '@/core/strip/recordsOf';
import { CaptureLine } from '../job/CaptureLine';
import { type OfJob, useBench } from '../job/useBench';
import { EmptyState } from '../kit/Notice';
import { Table } from '../kit/Table';
import { LabTable } from './LabTable';
import { type Answered, SentSamples } from './SentSamples';

/** What a laboratory found in the oil, against what is usual, and how it grew since the sample before. */
export function LabSamples(props: OfJob) {
  const { job } = props;
  const { rights } = useBench();
  const [answer, setAnswer] = useState<Answered>();
  const samples = recordsOf(job.snapshot.records, 'lab');
  return (
    <Box as="section" aria-label="Laboratory" marginTop="32px" data-testid="lab">
      <Heading as="h3" fontSize="16px">
        From the laboratory
      </Heading>
      {samples.length === 0 && (
        <EmptyState>The laboratory’s figures for a sample of the oil come here.</EmptyState>
      )}
      {samples.map((record, index) => (
        <CaptureLine key={record.id} kind="record" capture={{ ...record, struck: null }} job={job}>
          <strong>{record.content.sample}</strong>
          {record.content.distanceKm === undefined
            ? ''
            : `, at ${formatNumber(record.content.distanceKm, 0)} km`}
          <Judged
            elements={judgeSample(
              record.content,
              job.snapshot.catalogs['oil-thresholds'],
              samples[index - 1]?.content,
            )}
          />
        </CaptureLine>
      ))}
      <Box fontSize="13px" color="second">
        Parts per million miss particles above 5 to 8 µm: what hung on the magnet and the ferrous index stand
        beside them.
      </Box>
      {rights.includes('capture.take') && (
        <>
          <SentSamples {...props} onAnswer={setAnswer} />
          <LabTable
            key={answer?.answersId ?? 'own'}
            {...props}
            answer={answer}
            onTaken={() => setAnswer(undefined)}
          />
        </>
      )}
    </Box>
  );
}

const LEVEL: Record<JudgedElement['level'], string> = {
  usual: 'usual',
  watch: 'more than usual',
  act: 'far too much',
};

const Judged = ({ elements }: { readonly elements: readonly JudgedElement[] }) => (
  <Table
    heads={['Element', 'ppm', 'How much that is', 'Comes from', 'Per 1000 km since']}
    label="Wear metals"
  >
    {elements.map(({ id, name, value, level, from, per1000Km }) => (
      <tr key={id}>
        <td>{name}</td>
        <td>{formatNumber(value, 0)}</td>
        <td>{level === 'usual' ? LEVEL[level] : <strong>{LEVEL[level]}</strong>}</td>
        <td>{from}</td>
        <td>{per1000Km === undefined ? '' : formatNumber(per1000Km, 1)}</td>
      </tr>
    ))}
  </Table>
);
