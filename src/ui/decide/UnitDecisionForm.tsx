'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import type { Objective } from '@/core/planning/jobPlans';
import type { ToldPlans } from '@/core/planning/suppliers';
import { UNIT_DECISIONS, type UnitDecisionId } from '@/model/job';
import { keptOr } from '../job/keptOr';
import { LostVersions } from '../job/LostVersions';
import { type OfJob, useBench } from '../job/useBench';
import { Field, TextArea } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { UnitOptions } from './UnitOptions';

interface UnitDecisionFormProps extends OfJob {
  readonly plans: ToldPlans | undefined;
  readonly objective: Objective;
}

/** What becomes of the unit as a whole, in the lead's words. */
export function UnitDecisionForm({ job, plans, objective }: UnitDecisionFormProps) {
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
      <UnitOptions {...{ job, plans, objective }} chosen={decision} />
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
