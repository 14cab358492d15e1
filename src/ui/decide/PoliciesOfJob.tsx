'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { policiesInForce } from '@/core/decisions/policiesInForce';
import { POLICIES, type PolicyId, policyWords } from '@/model/policies';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Select, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

/** Which way this job goes where good shops disagree; another than the shop's with a reason. */
export function PoliciesOfJob({ job }: OfJob) {
  const { rights } = useBench();
  const [open, setOpen] = useState(false);
  const { policies, own } = policiesInForce(job.snapshot);
  const ids = POLICIES.map(({ id }) => id);
  const different = ids.filter((id) => own[id]);
  return (
    <Box fontSize="13px" lineHeight="18px" marginBottom="6px" data-testid="policies">
      {different.map((id) => (
        <Box key={id}>
          <strong>{policyWords(id, policies[id])}</strong> on this job: {own[id]!.reason} ({own[id]!.by}).
        </Box>
      ))}
      <Press
        kind="quiet"
        minHeight="32px"
        paddingInline="0"
        fontSize="13px"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {open ? 'Hide how it is done here' : 'How it is done here'}
      </Press>
      {open && (
        <Box>
          {ids.map((id) => (
            <Box key={id}>{policyWords(id, policies[id])}.</Box>
          ))}
          {rights.includes('part.decide') && <OwnWay job={job} />}
        </Box>
      )}
    </Box>
  );
}

function OwnWay({ job }: OfJob) {
  const keep = useKeep(job);
  const [policy, setPolicy] = useState<PolicyId>('bearings');
  const [choice, setChoice] = useState('');
  const [reason, setReason] = useState('');
  const [trouble, setTrouble] = useState('');
  const { choices } = POLICIES.find(({ id }) => id === policy)!;
  const save = async () => {
    const wrong = await keep(
      { what: 'policy-set', policy, reason, ...(choice === '' ? {} : { choice }) },
      choice === '' ? 'The shop’s way again' : policyWords(policy, choice),
    );
    setTrouble(wrong ?? '');
    if (wrong === undefined) setReason('');
  };
  return (
    <Flex
      as="form"
      gap="6px"
      wrap="wrap"
      marginTop="6px"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Select
        aria-label="In what this job goes its own way"
        value={policy}
        onChange={(event) => {
          setPolicy(event.target.value as PolicyId);
          setChoice('');
        }}
      >
        {POLICIES.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Select>
      <Select aria-label="Which way" value={choice} onChange={(event) => setChoice(event.target.value)}>
        <option value="">as the shop does</option>
        {choices.map(({ id, words }) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </Select>
      <TextInput
        aria-label="Why on this job"
        placeholder="Why?"
        value={reason}
        maxLength={200}
        onChange={(event) => setReason(event.target.value)}
      />
      <Press type="submit" disabled={reason.trim() === ''}>
        On this job
      </Press>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Flex>
  );
}
