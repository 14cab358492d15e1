'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { formatNumber } from '@/core/quantity/format';
import { judgeSample } from '@/core/strip/labSample';
import { recordsOf } from '@/core/strip/recordsOf';
import { waitingSamples } from '@/core/strip/waitingSamples';
import type { OilThresholds } from '@/model/oilThresholds';
import type { RecordOf } from '@/model/recordKinds';
import { CaptureLine } from '../job/CaptureLine';
import { type OfJob, useBench } from '../job/useBench';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { LabRulers } from './LabRulers';
import { LabTable } from './LabTable';
import { type Answered, SentSamples } from './SentSamples';

/** Which oil it is and how old, or that nobody said it: then no limit judges it. */
function oilWords(
  { oil, oilAgeKm }: Pick<RecordOf<'lab'>, 'oil' | 'oilAgeKm'>,
  { oils }: OilThresholds,
): string {
  if (!oils) return '';
  const known = oils.find(({ id }) => id === oil);
  if (!known || oilAgeKm === undefined)
    return ', of an oil whose kind or age nobody said: the trend alone is told';
  return `, ${known.name}, ${formatNumber(oilAgeKm, 0)} km old`;
}

/** What a laboratory found in the oil, against what is usual, and how it grew since the sample before. */
export function LabSamples(props: OfJob) {
  const { job } = props;
  const { rights } = useBench();
  const [answer, setAnswer] = useState<Answered>();
  const [isOpen, setOpen] = useState(false);
  const isOut = waitingSamples(job.snapshot.records).length > 0;
  const thresholds = job.snapshot.catalogs['oil-thresholds'];
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
          {oilWords(record.content, thresholds)}
          {record.content.distanceKm === undefined
            ? ''
            : `, at ${formatNumber(record.content.distanceKm, 0)} km`}
          <LabRulers elements={judgeSample(record.content, thresholds, samples[index - 1]?.content)} />
        </CaptureLine>
      ))}
      <Box fontSize="13px" color="second">
        Parts per million miss particles above 5 to 8 µm: what hung on the magnet and the ferrous index stand
        beside them.
      </Box>
      {rights.includes('capture.take') && (
        <Press marginTop="6px" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          Send a sample, bring in a report, type the figures
        </Press>
      )}
      {rights.includes('capture.take') && (isOpen || answer || isOut) && (
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
