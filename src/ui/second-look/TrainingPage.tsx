'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { type GradersAgreement, tellAgreement } from '@/core/agreement/gradersAgreement';
import { FAMILY_NAMES, type Family, type Grade } from '@/model/damage';
import type { Actor } from '@/model/people';
import type { BlindPart } from '@/model/secondLook';
import { PageHead } from '../frame/PageHead';
import { GradeLine } from '../kit/GradeMark';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press, PressLink } from '../kit/Press';
import { send } from '../kit/send';
import { Table } from '../kit/Table';
import { AnswersOverTime, type GivenAnswer } from './AnswersOverTime';
import { GradeFromPictures } from './GradeFromPictures';

interface TrainingPageProps {
  readonly state: {
    readonly left: number;
    readonly next: (BlindPart & { readonly lookId: string }) | undefined;
    readonly all: GradersAgreement;
    readonly families: readonly ({ readonly family: Family } & GradersAgreement)[];
    readonly answers: readonly GivenAnswer[];
  };
  readonly actor: Actor;
}

interface ShopAnswer {
  readonly mine: Grade;
  readonly lookId: string;
  readonly shop: { readonly grade: Grade; readonly by: string };
  readonly why: readonly string[];
  readonly seen: readonly string[];
}

/** Parts that two people graded and the shop settled: one grades them, and then sees the shop's answer and why. */
export function TrainingPage({ state, actor }: TrainingPageProps) {
  const router = useRouter();
  const [told, setTold] = useState<ShopAnswer>();
  const [sending, setSending] = useState(false);
  const [refusal, setRefusal] = useState('');
  const { next, left, all, families, answers } = state;
  const answered = told !== undefined && told.lookId === next?.lookId;
  const grade = async (mine: Grade) => {
    if (!next) return;
    setSending(true);
    const { lookId } = next;
    const answer = await send<Omit<ShopAnswer, 'mine' | 'lookId'>>('POST', '/api/v1/training', {
      ...{ lookId, grade: mine },
    });
    setSending(false);
    setRefusal(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) setTold({ ...answer.value, mine, lookId });
  };
  return (
    <Box>
      <PageHead title="Learn to grade" back={{ href: '/', words: 'The rack' }} actor={actor} />
      <Box as="main" padding="16px" maxWidth="1280px">
        <Box color="second">
          {left} parts left. You and the shop: {tellAgreement(all)}.{' '}
          <PressLink href="/training/axle">Set up a practice axle</PressLink>
        </Box>
        {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
        {next ? (
          <GradeFromPictures
            blind={next}
            disabled={sending || answered}
            onGrade={(mine) => void grade(mine)}
          />
        ) : (
          <EmptyState>
            No part is left that you haven’t graded. Parts come here when two people have graded them from
            photographs and the shop has settled on an answer.
          </EmptyState>
        )}
        {told && answered && (
          <Box role="status" marginTop="12px" borderLeft="4px solid" borderColor="metal" paddingLeft="12px">
            <Flex gap="16px" wrap="wrap">
              <span>
                You said <GradeLine grade={told.mine} />
              </span>
              <strong>
                The shop says <GradeLine grade={told.shop.grade} />
              </strong>
            </Flex>
            {[...told.why, ...told.seen].map((words) => (
              <Box key={words}>{words}</Box>
            ))}
            <Press kind="main" size="bench" marginTop="8px" autoFocus onClick={() => router.refresh()}>
              Next part
            </Press>
          </Box>
        )}
        {answers.length > 0 && (
          <Box marginTop="24px">
            <Heading as="h2">How you and the shop agree</Heading>
            <AnswersOverTime answers={answers} />
            <Table heads={['Kind of part', 'Agreement']} label="Agreement by kind of part">
              {families.map(({ family, ...agreed }) => (
                <tr key={family}>
                  <td>{FAMILY_NAMES[family]}</td>
                  <td>{tellAgreement(agreed)}</td>
                </tr>
              ))}
            </Table>
          </Box>
        )}
      </Box>
    </Box>
  );
}
