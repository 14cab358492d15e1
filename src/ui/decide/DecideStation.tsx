'use client';

import { Box, chakra, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { partProposal } from '@/core/decisions/partProposal';
import { partWords } from '@/core/wear/partWords';
import { UNIT_DECISIONS, type UnitDecisionId } from '@/model/job';
import { keptOr } from '../job/keptOr';
import { LostVersions } from '../job/LostVersions';
import { type OfJob, useBench } from '../job/useBench';
import { Field, TextArea } from '../kit/Field';
import { GradeLine } from '../kit/GradeMark';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { BesideSection } from '../section/BesideSection';
import { decisionName } from '../ticket/DecideFace';
import { NeverReused } from './NeverReused';

const Cell = chakra('td', {
  base: {
    padding: '6px 12px 6px 0',
    borderBottom: '1px solid',
    borderColor: 'rule',
    verticalAlign: 'middle',
  },
});
const Head = chakra('th', {
  base: {
    padding: '6px 12px 6px 0',
    borderBottom: '2px solid',
    borderColor: 'ink',
    textAlign: 'left',
    fontWeight: 600,
  },
});

/** Part by part, then the unit: what was proposed beside what a person decided. */
export function DecideStation({ job }: OfJob) {
  const { place } = useBench();
  const { snapshot, parts } = job;
  const decided = new Set(
    snapshot.decisions
      .filter(({ decision }) => decision !== 'not-decided')
      .map(({ positionId }) => positionId),
  );
  // To mark all of them would say nothing: those that can't stay as they are come first.
  const pressing = parts
    .filter(({ position, grade }) => !decided.has(position.id) && (grade ?? 0) >= 3)
    .map(({ position }) => position.id);
  const decide = (part: string) => place.goTo({ part, face: 'decide' });
  return (
    <BesideSection
      job={job}
      marked={pressing}
      onOpen={decide}
      note={
        pressing.length > 0
          ? 'Marked: graded 3 or worse, and not decided yet. Tap a part to decide it.'
          : 'Tap a part to decide it, or to see what was decided.'
      }
    >
      <Box>
        <UnitDecisionForm job={job} />
        <Heading as="h3" fontSize="16px" marginTop="24px">
          Part by part
        </Heading>
        <Box overflowX="auto">
          <chakra.table width="100%" fontSize="15px">
            <thead>
              <tr>
                {['Part', 'Grade', 'Proposed', 'Decided'].map((head) => (
                  <Head key={head}>{head}</Head>
                ))}
              </tr>
            </thead>
            <tbody>
              {parts.map((part) => {
                const entry = snapshot.decisions.find((decision) => decision.positionId === part.position.id);
                const proposal = partProposal(part, parts, snapshot);
                return (
                  <tr key={part.position.id}>
                    <Cell>
                      <Press
                        size="row"
                        kind="quiet"
                        padding="0"
                        fontWeight={600}
                        data-row={part.position.id}
                        onClick={() => decide(part.position.id)}
                      >
                        {part.position.name}
                      </Press>
                    </Cell>
                    <Cell>
                      <GradeLine grade={part.grade} words={partWords(part)} />
                    </Cell>
                    <Cell>
                      {decisionName(proposal.decision)}
                      <Box fontSize="13px" color="second">
                        {proposal.reason}
                      </Box>
                    </Cell>
                    <Cell>
                      {entry
                        ? `${decisionName(entry.decision)}${entry.reason ? `: ${entry.reason}` : ''}`
                        : '–'}
                    </Cell>
                  </tr>
                );
              })}
            </tbody>
          </chakra.table>
        </Box>
        <NeverReused job={job} />
      </Box>
    </BesideSection>
  );
}

function UnitDecisionForm({ job }: OfJob) {
  const { rights } = useBench();
  const { unitDecision } = job.snapshot;
  const [decision, setDecision] = useState<UnitDecisionId | undefined>(unitDecision?.decision);
  const [reason, setReason] = useState(unitDecision?.reason ?? '');
  const [watch, setWatch] = useState(unitDecision?.watch ?? '');
  const [trouble, setTrouble] = useState('');
  const mayDecide = rights.includes('unit.decide');
  const save = async () => {
    const version = unitDecision?.version ?? 0;
    const taken = job.take('unit-decision', { version, decision, reason, watch });
    setTrouble(await keptOr(taken, 'decide again'));
    void job.sendWaiting();
  };
  return (
    <Box>
      <Heading as="h3" fontSize="16px">
        The unit
        {unitDecision
          ? `: ${UNIT_DECISIONS.find(({ id }) => id === unitDecision.decision)?.name.toLowerCase()}, decided by ${unitDecision.by}`
          : ': not decided yet'}
      </Heading>
      {unitDecision && unitDecision.reason !== reason && (
        <Box>What holds: “{unitDecision.reason}”. Below stands what you write.</Box>
      )}
      <Flex gap="8px" wrap="wrap" marginBlock="8px" role="group" aria-label="Decision for the unit">
        {UNIT_DECISIONS.map(({ id, name }) => (
          <Press
            key={id}
            chosen={id === decision}
            aria-pressed={id === decision}
            disabled={!mayDecide}
            onClick={() => setDecision(id)}
          >
            {name}
          </Press>
        ))}
      </Flex>
      <Field label="Why, in plain words">
        {(wiring) => (
          <TextArea
            {...wiring}
            rows={2}
            value={reason}
            readOnly={!mayDecide}
            maxLength={600}
            onChange={(event) => setReason(event.target.value)}
          />
        )}
      </Field>
      <Field label="What to watch after the repair">
        {(wiring) => (
          <TextArea
            {...wiring}
            rows={2}
            value={watch}
            readOnly={!mayDecide}
            maxLength={600}
            onChange={(event) => setWatch(event.target.value)}
          />
        )}
      </Field>
      <LostVersions
        {...{ job, kind: 'unit-decision', holds: unitDecision }}
        tell={({ decision: theirs, reason: why }) =>
          `${UNIT_DECISIONS.find(({ id }) => id === theirs)?.name}: “${why}”`
        }
      />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {mayDecide ? (
        <Press
          kind="main"
          size="bench"
          disabled={decision === undefined || reason.trim() === ''}
          onClick={() => void save()}
        >
          Decide for the unit
        </Press>
      ) : (
        <Box color="second">The lead decides for the unit.</Box>
      )}
    </Box>
  );
}
