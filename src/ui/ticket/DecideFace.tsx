'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { deciding, matesOf, partProposal } from '@/core/decisions/partProposal';
import { forbidsDecision, needsReason } from '@/core/decisions/proposeDecision';
import type { PartState } from '@/core/wear/partStanding';
import { PART_DECISIONS, type PartDecisionId } from '@/model/job';
import { evidenceOf } from '../job/evidenceOf';
import { keptOr } from '../job/keptOr';
import { LostVersions } from '../job/LostVersions';
import { type OfPart, useBench } from '../job/useBench';
import { Field, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

export const decisionName = (id: PartDecisionId | undefined): string =>
  PART_DECISIONS.find((decision) => decision.id === id)?.name ?? 'Not decided';

const decisionOf = ({ snapshot }: OfPart['job'], { position }: PartState) =>
  snapshot.decisions.find(({ positionId }) => positionId === position.id);

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
    (mate) => decisionOf(job, mate)?.decision !== 'replace-with-mate',
  );
  const [reason, setReason] = useState('');
  const [trouble, setTrouble] = useState('');
  const put = (of: PartState, decision: PartDecisionId, why: string) =>
    job.take('decision', {
      ...{ positionId: of.position.id, version: decisionOf(job, of)?.version ?? 0, decision, reason: why },
      proposed: partProposal(of, parts, snapshot).decision,
      evidence: evidenceOf(job, of.position.id),
    });
  const decide = async (decision: PartDecisionId) => {
    const mates = decision === 'replace-with-mate' ? alongWith : [];
    const taken = [
      put(part, decision, reason),
      ...mates.map((mate) => put(mate, decision, `goes along with ${position.name}`)),
    ];
    const wrong = (await Promise.all(taken.map((each) => keptOr(each, 'decide it again')))).find(Boolean);
    setTrouble(wrong ?? '');
    if (wrong) return;
    setReason('');
    await job.sendWaiting();
  };
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
      {rights.includes('part.decide') && (
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
          <Flex wrap="wrap" gap="8px">
            {PART_DECISIONS.map(({ id, name }) => {
              const forbidden = forbidsDecision(id, known);
              const wanting = needsReason(id, proposal.decision) && reason.trim() === '';
              return (
                <Press
                  key={id}
                  size="bench"
                  fontSize="15px"
                  kind={id === proposal.decision ? 'main' : 'plain'}
                  disabled={Boolean(forbidden) || wanting}
                  title={forbidden}
                  onClick={() => void decide(id)}
                >
                  {name}
                </Press>
              );
            })}
          </Flex>
        </>
      )}
      {rights.includes('part.decide') && alongWith.length > 0 && (
        <Box fontSize="13px" color="second" marginTop="8px">
          “Replace with mate” decides for {alongWith.map(({ position: { name } }) => name).join(', ')} too.
        </Box>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
