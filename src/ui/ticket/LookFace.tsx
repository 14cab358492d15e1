'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { modesOf } from '@/core/catalogs/words';
import { describeFinding } from '@/core/report/describeFinding';
import { type DamageMode, NOTHING_TO_SEE, type Severity, STORY_WORDS } from '@/model/damage';
import { type FindingExtent, HowMuch } from '../finding/HowMuch';
import { wordsBeside } from '../finding/wordsBeside';
import { Questions } from '../grade/Questions';
import { CaptureLine } from '../job/CaptureLine';
import { type OfPart, useBench } from '../job/useBench';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { GradePanel } from './GradePanel';

/** What is seen: mode, place, extent, in three taps; then the grade. */
export function LookFace(props: OfPart) {
  const { part, job } = props;
  const { rights } = useBench();
  const { position } = part;
  const findings = job.snapshot.findings.filter(
    (finding) => finding.positionId === position.id && !finding.struck?.slip,
  );
  return (
    <Box>
      {findings.length === 0 && (
        <EmptyState>What is seen on this part comes here. Choose a word below.</EmptyState>
      )}
      {findings.map((finding) => (
        <CaptureLine key={finding.id} kind="finding" capture={finding} job={job}>
          {describeFinding(finding, position.family, job.snapshot.catalogs)}
          {finding.story !== 'unknown' && <em> {STORY_WORDS[finding.story]}.</em>}
        </CaptureLine>
      ))}
      {rights.includes('capture.take') && <NewFinding {...props} />}
      <GradePanel {...props} />
      <Questions job={job} positionId={position.id} />
    </Box>
  );
}

function NewFinding({ part: { position }, job }: OfPart) {
  const { tellKept } = useBench();
  const [mode, setMode] = useState<DamageMode>();
  const [place, setPlace] = useState('');
  const note = async (chosen: DamageMode, where: string, severity: Severity, extent: FindingExtent = {}) => {
    setMode(undefined);
    const content = {
      positionId: position.id,
      mode: chosen.id,
      place: where,
      severity,
      story: 'unknown',
      note: '',
      ...extent,
    };
    const taken = job.take('finding', content);
    tellKept({ kind: 'finding', captureId: taken.id, words: `${position.name}: ${chosen.term} noted` });
    await taken.kept;
    await job.sendWaiting();
  };
  const choose = (chosen: DamageMode) => {
    if (chosen.id === NOTHING_TO_SEE) return void note(chosen, 'everywhere', 'light');
    setMode(chosen);
    setPlace(chosen.places.length === 1 ? chosen.places[0]! : '');
  };
  if (!mode) {
    return (
      <Box marginTop="12px">
        <Heading as="h3" fontSize="16px" marginBottom="8px">
          What do you see?
        </Heading>
        <Flex wrap="wrap" gap="8px" maxHeight="264px" overflowY="auto">
          {modesOf(job.snapshot.catalogs, position.family).map((word) => (
            <Press
              key={word.id}
              size="bench"
              fontSize="15px"
              flexDirection="column"
              gap="0"
              kind={word.id === NOTHING_TO_SEE ? 'main' : 'plain'}
              onClick={() => choose(word)}
            >
              {word.term}
              <Box as="span" fontWeight={400} fontSize="13px" lineHeight="16px">
                {wordsBeside(word)}
              </Box>
            </Press>
          ))}
        </Flex>
      </Box>
    );
  }
  return (
    <Box marginTop="12px" borderLeft="4px solid" borderColor="metal" paddingLeft="12px">
      <Flex justify="space-between" align="center">
        <Heading as="h3" fontSize="16px">
          {mode.term}
        </Heading>
        <Press kind="quiet" onClick={() => setMode(undefined)}>
          another word
        </Press>
      </Flex>
      <Box color="second">{mode.plain}</Box>
      <Heading as="h4" fontSize="15px" marginTop="8px">
        Where?
      </Heading>
      <Flex wrap="wrap" gap="8px">
        {mode.places.map((where) => (
          <Press
            key={where}
            size="bench"
            fontSize="15px"
            chosen={where === place}
            aria-pressed={where === place}
            onClick={() => setPlace(where)}
          >
            {where}
          </Press>
        ))}
      </Flex>
      {place && (
        <HowMuch
          job={job}
          positions={[position]}
          mode={mode}
          onNote={(severity, extent) => void note(mode, place, severity, extent)}
        />
      )}
    </Box>
  );
}
