'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { recordsOf } from '@/core/strip/recordsOf';
import type { UnitFinding } from '@/core/wear/unitFinding';
import { unitFindings } from '@/core/wear/unitFindings';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Field, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

/** What the parts say of the unit when they are taken together; it stands unless a person refuses it with a reason. */
export function UnitFindings({ job, onGo }: OfJob & { readonly onGo: (positionId: string) => void }) {
  return unitFindings(job.snapshot, job.parts).map((finding) => (
    <OneFinding key={finding.code} finding={finding} job={job} onGo={onGo} />
  ));
}

interface OneFindingProps extends OfJob {
  readonly finding: UnitFinding;
  readonly onGo: (positionId: string) => void;
}

function OneFinding({ finding, job, onGo }: OneFindingProps) {
  const { rights } = useBench();
  const keep = useKeep(job);
  const [refusing, setRefusing] = useState(false);
  const [reason, setReason] = useState('');
  const [trouble, setTrouble] = useState('');
  const { code, title, words, restsOn, stillOpen } = finding;
  const said = recordsOf(job.snapshot.records, 'unit-finding')
    .filter(({ content }) => content.code === code)
    .at(-1);
  const names = new Map(job.snapshot.unitType.positions.map(({ id, name }) => [id, name]));
  const put = async (content: { stands: true; words: string } | { stands: false; reason: string }) => {
    const wrong = await keep(
      { what: 'unit-finding', code, ...content },
      content.stands ? `${title}: kept for the unit` : `${title}: refused`,
    );
    setTrouble(wrong ?? '');
    if (wrong === undefined) setRefusing(false);
  };
  return (
    <Box borderTop="1.5px solid" borderColor="ink" paddingBlock="8px" data-testid={`unit-finding-${code}`}>
      <Flex justify="space-between" align="baseline" gap="8px">
        <Heading as="h3" color={said?.content.stands === false ? 'second' : 'oxide'}>
          {title}
        </Heading>
        <Box fontSize="13px" color="second" flexShrink={0}>
          worked out from the parts
        </Box>
      </Flex>
      <Box>{words}</Box>
      <Flex gap="4px 12px" wrap="wrap" marginTop="4px" fontSize="13px">
        {restsOn.map((id) => (
          <Press key={id} kind="quiet" minHeight="32px" paddingInline="0" onClick={() => onGo(id)}>
            {names.get(id) ?? id}
          </Press>
        ))}
        {stillOpen.length > 0 && <Box alignSelf="center">{stillOpen.length} parts can still change it.</Box>}
      </Flex>
      {said && (
        <Box>
          {said.content.stands
            ? `Kept for the unit by ${said.author}.`
            : `Refused by ${said.author}: ${said.content.reason}`}
        </Box>
      )}
      {rights.includes('capture.take') && !refusing && (
        <Flex gap="8px" marginTop="4px" justify="flex-end">
          {said?.content.stands !== false && <Press onClick={() => setRefusing(true)}>Not so</Press>}
          {!said?.content.stands && (
            <Press onClick={() => void put({ stands: true, words })}>Keep it for the unit</Press>
          )}
        </Flex>
      )}
      {refusing && (
        <Flex gap="8px" align="flex-end" marginTop="4px">
          <Box flex="1">
            <Field label="Why is it not so?">
              {(wiring) => (
                <TextInput
                  {...wiring}
                  value={reason}
                  maxLength={200}
                  onChange={(event) => setReason(event.target.value)}
                />
              )}
            </Field>
          </Box>
          <Press
            kind="main"
            marginBottom="12px"
            disabled={reason.trim() === ''}
            onClick={() => void put({ stands: false, reason: reason.trim() })}
          >
            Refuse it
          </Press>
          <Press kind="quiet" marginBottom="12px" onClick={() => setRefusing(false)}>
            Back
          </Press>
        </Flex>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
