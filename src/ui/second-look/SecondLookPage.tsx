'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { type GradersAgreement, tellAgreement } from '@/core/agreement/gradersAgreement';
import { GRADES, type Grade } from '@/model/damage';
import type { Actor } from '@/model/people';
import type { BlindPart, SecondLook } from '@/model/secondLook';
import { PageHead } from '../frame/PageHead';
import { Field, TextInput } from '../kit/Field';
import { GradeLine, GradeMark, gradeWords } from '../kit/GradeMark';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { GradeFromPictures } from './GradeFromPictures';

interface SecondLookPageProps {
  readonly state: {
    readonly waiting: number;
    readonly next: (BlindPart & { readonly version: number }) | undefined;
    readonly open: readonly SecondLook[];
    readonly agreement: GradersAgreement;
  };
  readonly actor: Actor;
}

interface Told {
  readonly first: { readonly grade: Grade; readonly by: string; readonly reason: string };
  readonly mine: Grade;
  readonly agreed: boolean;
}

/** A part graded once more from its photographs, without knowing what was said of it; what differs is settled with a note. */
export function SecondLookPage({ state, actor }: SecondLookPageProps) {
  const router = useRouter();
  const [told, setTold] = useState<Told>();
  const [sending, setSending] = useState(false);
  const [refusal, setRefusal] = useState('');
  const { next, open, waiting, agreement } = state;
  const grade = async (mine: Grade) => {
    if (!next) return;
    setSending(true);
    const { jobId, positionId, version } = next;
    const answer = await send<Omit<Told, 'mine'>>('POST', '/api/v1/second-looks', {
      ...{ jobId, positionId, version, grade: mine },
    });
    setSending(false);
    setRefusal(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) setTold({ ...answer.value, mine });
  };
  return (
    <Box>
      <PageHead title="Second look" back={{ href: '/', words: 'The rack' }} actor={actor} />
      <Grid
        as="main"
        templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 3fr) minmax(0, 2fr)' }}
        gap="32px"
        padding="16px"
        maxWidth="1280px"
      >
        <Box>
          <Box color="second" marginBottom="8px">
            Graded so far: {tellAgreement(agreement)}. {waiting} still to be looked at by you.
          </Box>
          {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
          {next ? (
            <GradeFromPictures
              blind={next}
              disabled={sending || told !== undefined}
              onGrade={(mine) => void grade(mine)}
            />
          ) : (
            <EmptyState>
              Nothing waits for your eyes: parts come here once somebody else has graded them and photographed
              them.
            </EmptyState>
          )}
          {told && (
            <Box role="status" marginTop="12px" borderLeft="4px solid" borderColor="metal" paddingLeft="12px">
              <Box>
                {told.first.by} said <GradeLine grade={told.first.grade} />, you said{' '}
                <GradeLine grade={told.mine} />.
                {told.first.reason ? ` Their reason: ${told.first.reason}` : ''}
              </Box>
              <Box fontWeight={650}>
                {told.agreed
                  ? 'You agree: it goes into the training set.'
                  : 'You differ: it is to be settled below.'}
              </Box>
              <Press kind="main" size="bench" marginTop="8px" autoFocus onClick={() => router.refresh()}>
                Next part
              </Press>
            </Box>
          )}
        </Box>
        <Box>
          <Heading as="h2">To be settled</Heading>
          {open.length === 0 ? (
            <Box color="second">Where two people differ it stands here until somebody settles it.</Box>
          ) : (
            open.map((look) => <Settle key={look.id} look={look} onSettled={() => router.refresh()} />)
          )}
        </Box>
      </Grid>
    </Box>
  );
}

function Settle({ look, onSettled }: { readonly look: SecondLook; readonly onSettled: () => void }) {
  const [grade, setGrade] = useState<Grade>();
  const [note, setNote] = useState('');
  const [refusal, setRefusal] = useState('');
  const settle = async () => {
    const answer = await send('PUT', `/api/v1/second-looks/${look.id}`, { grade, note });
    if (answer.ok) onSettled();
    else setRefusal(answer.refusal.message);
  };
  return (
    <Box
      as="form"
      data-testid="settle"
      borderTop="1.5px solid"
      borderColor="ink"
      paddingBlock="8px"
      onSubmit={(event) => {
        event.preventDefault();
        void settle();
      }}
    >
      <Box>
        <strong>{look.part}</strong>, peg {look.peg}: {look.first.by} said{' '}
        <GradeLine grade={look.first.grade} />, {look.second.by} said <GradeLine grade={look.second.grade} />.
      </Box>
      <Flex gap="6px" wrap="wrap" marginBlock="6px" role="group" aria-label="What the shop says">
        {GRADES.map((each) => (
          <Press
            key={each}
            size="bench"
            width="64px"
            paddingInline="0"
            chosen={each === grade}
            aria-pressed={each === grade}
            aria-label={`The shop says ${gradeWords(each)}`}
            onClick={() => setGrade(each)}
            type="button"
          >
            <GradeMark grade={each} size={22} onBlue={each === grade} /> {each}
          </Press>
        ))}
      </Flex>
      <Flex gap="8px" align="flex-end">
        <Box flex="1">
          <Field label="Why: people learn by it">
            {(wiring) => (
              <TextInput
                {...wiring}
                value={note}
                maxLength={300}
                onChange={(event) => setNote(event.target.value)}
              />
            )}
          </Field>
        </Box>
        <Press
          type="submit"
          kind="main"
          marginBottom="12px"
          disabled={grade === undefined || note.trim() === ''}
        >
          Settle it
        </Press>
      </Flex>
      {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
    </Box>
  );
}
