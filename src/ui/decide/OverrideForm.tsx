'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { DecisionProposal } from '@/core/decisions/proposeDecision';
import type { PartDecisionId } from '@/model/job';
import { decisionName } from '../job/decisionName';
import type { Override } from '../job/useDeciding';
import { TextInput } from '../kit/Field';
import { Press } from '../kit/Press';

interface OverrideFormProps {
  readonly name: string;
  readonly decision: PartDecisionId;
  readonly proposal: DecisionProposal;
  /** A piece that must go is kept: somebody takes the risk. */
  readonly wantsRisk: boolean;
  readonly onDecide: (override: Override) => void;
  readonly onCancel: () => void;
}

/** Another fate than the rules propose: with a reason, and with a name where what binds is passed. */
export function OverrideForm({ name, decision, proposal, wantsRisk, onDecide, onCancel }: OverrideFormProps) {
  const [reason, setReason] = useState('');
  const [riskBy, setRiskBy] = useState('');
  const isWanting = reason.trim() === '' || (wantsRisk && riskBy.trim() === '');
  return (
    <Box
      as="form"
      border="1.5px solid"
      borderColor={wantsRisk ? 'oxide' : 'ink'}
      padding="8px"
      marginBlock="6px"
      data-testid="override"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isWanting) onDecide({ reason: reason.trim(), riskBy: wantsRisk ? riskBy.trim() : '' });
      }}
    >
      <Box>
        <strong>{name}</strong>: {decisionName(decision).toLowerCase()} instead of{' '}
        <s>{decisionName(proposal.decision).toLowerCase()}</s>. {proposal.reason}
      </Box>
      <Flex gap="8px" wrap="wrap" marginTop="6px">
        <TextInput
          autoFocus
          aria-label="Why"
          placeholder="Why?"
          value={reason}
          maxLength={300}
          onChange={(event) => setReason(event.target.value)}
        />
        {wantsRisk && (
          <TextInput
            aria-label="Who takes the risk"
            placeholder="Who takes the risk?"
            value={riskBy}
            maxLength={60}
            onChange={(event) => setRiskBy(event.target.value)}
          />
        )}
        <Press kind="main" type="submit" disabled={isWanting}>
          Decide so
        </Press>
        <Press kind="quiet" onClick={onCancel}>
          Leave it
        </Press>
      </Flex>
    </Box>
  );
}
