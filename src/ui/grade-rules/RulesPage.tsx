'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { RulesTrial } from '@/core/wear/rulesTrial';
import type { Catalogs } from '@/model/catalogs';
import type { GradeRule, GradeRules } from '@/model/gradeRule';
import type { Actor } from '@/model/people';
import { PageHead } from '../frame/PageHead';
import { Field, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press, PressLink } from '../kit/Press';
import { send } from '../kit/send';
import { NewRule } from './NewRule';
import { RuleRow } from './RuleRow';
import { TrialTold } from './TrialTold';

interface RulesPageProps {
  readonly state: {
    readonly document: GradeRules;
    readonly words: Catalogs['damage-words'];
    readonly trial: RulesTrial;
    readonly newerShipped: number | null;
  };
  readonly actor: Actor;
}

/** The rules that propose a grade: what each says, how often it has held, and what a change would have changed. */
export function RulesPage({ state, actor }: RulesPageProps) {
  const router = useRouter();
  const { document, words, newerShipped } = state;
  const [rules, setRules] = useState<readonly GradeRule[]>(document.rules);
  const [trial, setTrial] = useState(state.trial);
  const [tried, setTried] = useState<readonly GradeRule[]>(document.rules);
  const [note, setNote] = useState('');
  const [refusal, setRefusal] = useState('');
  const changed = rules !== document.rules;
  const tryThem = async () => {
    const answer = await send<RulesTrial>('POST', '/api/v1/grade-rules/trial', { rules });
    setRefusal(answer.ok ? '' : answer.refusal.message);
    if (!answer.ok) return;
    setTrial(answer.value);
    setTried(rules);
  };
  const keep = async () => {
    const body = { basedOnRevision: document.revision, rules, note };
    const answer = await send('PUT', '/api/v1/grade-rules', body);
    if (answer.ok) router.refresh();
    else setRefusal(answer.refusal.message);
  };
  return (
    <Box>
      <PageHead title="Rules of grading" back={{ href: '/', words: 'The rack' }} actor={actor} />
      <Grid
        as="main"
        templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 3fr) minmax(0, 2fr)' }}
        gap="32px"
        padding="16px"
        maxWidth="1280px"
      >
        <Box>
          <Flex justify="space-between" align="baseline" gap="8px" wrap="wrap">
            <Heading as="h2">Revision {document.revision}</Heading>
            <PressLink href="/damage-words">The shop’s own words</PressLink>
          </Flex>
          {newerShipped !== null && (
            <Box color="second">
              Stereotome has come with revision {newerShipped} since; the shop’s own rules hold.
            </Box>
          )}
          <Box color="second">
            Every rule that holds is told; the worst grade is proposed. A person keeps it or changes it.
          </Box>
          {rules.map((rule, index) => (
            <RuleRow
              key={rule.id}
              rule={rule}
              before={document.rules.find(({ id }) => id === rule.id)}
              words={{ 'damage-words': words }}
              fired={trial.fired[rule.id]}
              onChange={(next) => setRules(rules.map((each, at) => (at === index ? next : each)))}
              onRemove={() => setRules(rules.filter((_, at) => at !== index))}
            />
          ))}
          <NewRule
            words={{ 'damage-words': words }}
            taken={new Set(rules.map(({ id }) => id))}
            onAdd={(rule) => setRules([...rules, rule])}
          />
        </Box>
        <Box>
          <Box position={{ lg: 'sticky' }} top="16px">
            <Heading as="h2">The shop’s parts under these rules</Heading>
            <TrialTold trial={trial} stale={tried !== rules} />
            {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
            <Flex gap="8px" marginBlock="12px" wrap="wrap">
              <Press kind="main" disabled={tried === rules} onClick={() => void tryThem()}>
                Try the changes
              </Press>
              {changed && (
                <Press kind="quiet" onClick={() => setRules(document.rules)}>
                  Take them back
                </Press>
              )}
            </Flex>
            {changed && tried === rules && (
              <>
                <Field label="Why the shop grades so from now on">
                  {(wiring) => (
                    <TextInput
                      {...wiring}
                      value={note}
                      maxLength={300}
                      onChange={(event) => setNote(event.target.value)}
                    />
                  )}
                </Field>
                <Press kind="main" disabled={note.trim() === ''} onClick={() => void keep()}>
                  Keep as the shop’s rules
                </Press>
                <Box fontSize="13px" color="second">
                  New jobs are graded by them; a job that is under way goes over when somebody says so there.
                </Box>
              </>
            )}
          </Box>
        </Box>
      </Grid>
    </Box>
  );
}
