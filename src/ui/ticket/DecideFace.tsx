'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { deciding, matesOf, partProposal } from '@/core/decisions/partProposal';
import { forbidsDecision, needsReason, needsRisk } from '@/core/decisions/proposeDecision';
import { PART_DECISIONS, type PartDecisionId } from '@/model/job';
import { decisionName } from '../job/decisionName';
import { LostVersions } from '../job/LostVersions';
import { type OfPart, useBench } from '../job/useBench';
import { useDeciding } from '../job/useDeciding';
import { Field, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

/** What becomes of the part: the tool proposes with a reason in one line, a person decides. */
export function DecideFace({ part, job }: OfPart) {
  const { rights } = useBench();
  const { position } = part;
  const { snapshot, parts } = job;
  const entry = snapshot.decisions.find((decision) => decision.positionId === position.id);
  const known = deciding(part, parts, snapshot);
  const proposal = partProposal(part, parts, snapshot);
  // Who replaces a part with its mate decides for both: each gets a decision of its own.
  const alongWith = matesOf(part, parts, snapshot).filter(
    (mate) =>
      snapshot.decisions.find(({ positionId }) => positionId === mate.position.id)?.decision !==
      'replace-with-mate',
  );
  const [reason, setReason] = useState('');
  const [riskBy, setRiskBy] = useState('');
  const { decide, trouble } = useDeciding(job);
  const mayDecide = rights.includes('part.decide');
  const barred = PART_DECISIONS.flatMap(({ id, name }) => {
    const why = forbidsDecision(id, known);
    return why ? [{ name, why }] : [];
  });
  const press = (id: PartDecisionId) => {
    void decide(part, id, { reason: reason.trim(), riskBy: needsRisk(id, proposal) ? riskBy.trim() : '' });
    setReason('');
    setRiskBy('');
  };
  const isWanting = (id: PartDecisionId) =>
    (needsReason(id, proposal.decision) && reason.trim() === '') ||
    (needsRisk(id, proposal) && riskBy.trim() === '');
  return (
    <Box>
      <Heading as="h3" fontSize="18px">
        {entry ? decisionName(entry.decision) : 'Not decided'}
      </Heading>
      {entry && (
        <Box fontSize="13px" color="second">
          {entry.by}
          {entry.reason ? `: ${entry.reason}` : ''}. The rules had proposed:{' '}
          {decisionName(entry.proposed).toLowerCase()}.
          {entry.riskBy ? ` ${entry.riskBy} takes the risk.` : ''}
        </Box>
      )}
      <Box marginBlock="12px" borderLeft="4px solid" borderColor="metal" paddingLeft="12px">
        <strong>Proposed: {decisionName(proposal.decision).toLowerCase()}.</strong> {proposal.reason}
      </Box>
      <LostVersions
        {...{ job, kind: 'decision', holds: entry }}
        of={({ content }) => content.positionId === position.id}
        tell={({ decision, reason: why }) =>
          `${decisionName(decision as PartDecisionId)}${why ? `: “${String(why)}”` : ''}`
        }
      />
      {mayDecide && (
        <>
          <Field label="Reason (needed where you differ from the proposal)">
            {(wiring) => (
              <TextInput
                {...wiring}
                value={reason}
                maxLength={300}
                onChange={(event) => setReason(event.target.value)}
              />
            )}
          </Field>
          {proposal.binds && (
            <Field label="Who takes the risk, if it is kept all the same">
              {(wiring) => (
                <TextInput
                  {...wiring}
                  value={riskBy}
                  maxLength={60}
                  onChange={(event) => setRiskBy(event.target.value)}
                />
              )}
            </Field>
          )}
          <Flex wrap="wrap" gap="8px">
            {PART_DECISIONS.map(({ id, name }) => (
              <Press
                key={id}
                size="bench"
                fontSize="15px"
                kind={id === proposal.decision ? 'main' : 'plain'}
                disabled={forbidsDecision(id, known) !== undefined || isWanting(id)}
                title={forbidsDecision(id, known)}
                onClick={() => press(id)}
              >
                {name}
              </Press>
            ))}
          </Flex>
        </>
      )}
      {barred.length > 0 && (
        <Box
          marginTop="10px"
          borderTop="6px solid"
          borderColor="oxide"
          paddingTop="4px"
          fontSize="13px"
          color="oxide"
        >
          Barred: {barred.map(({ name }) => name.toLowerCase()).join(', ')}. {barred[0]!.why}
        </Box>
      )}
      {mayDecide && alongWith.length > 0 && (
        <Box fontSize="13px" color="second" marginTop="8px">
          “Replace with mate” decides for {alongWith.map(({ position: { name } }) => name).join(', ')} too.
        </Box>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
