'use client';

import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { FoundJob, RackEntry } from '@/model/snapshot';
import { longDate } from '../kit/dates';
import { ErrorNotice } from '../kit/Notice';
import { send } from '../kit/send';

const WAIT_MS = 200;
const LEAST_LETTERS = 2;

/** Units that carry what is sought and don't hang among those shown: handed over long ago, or further down the rack. */
export function AlsoFound({
  sought,
  shown,
}: {
  readonly sought: string;
  readonly shown: readonly RackEntry[];
}) {
  const [found, setFound] = useState<readonly FoundJob[]>([]);
  const [trouble, setTrouble] = useState('');
  const words = sought.trim();
  const seeks = words.length >= LEAST_LETTERS;
  useEffect(() => {
    if (!seeks) return setFound([]);
    let current = true;
    const timer = setTimeout(async () => {
      const answer = await send<{ found: FoundJob[] }>(
        'GET',
        `/api/v1/jobs?sought=${encodeURIComponent(words)}`,
      );
      if (!current) return;
      setFound(answer.ok ? answer.value.found : []);
      setTrouble(answer.ok ? '' : answer.refusal.message);
    }, WAIT_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [seeks, words]);
  const here = new Set(shown.map(({ jobId }) => jobId));
  const others = seeks ? found.filter(({ jobId }) => !here.has(jobId)) : [];
  if (trouble && seeks) return <ErrorNotice>{trouble}</ErrorNotice>;
  if (others.length === 0) return null;
  return (
    <Box as="section" aria-label="Also found" marginTop="8px">
      <strong>Also found</strong>
      <Box as="ul" listStyleType="none" padding="0">
        {others.map(({ jobId, peg, title, machine, customer, bookedAt, handedOverAt }) => (
          <Box as="li" key={jobId} borderBottom="1px solid" borderColor="rule" paddingBlock="8px">
            <Link href={`/jobs/${peg}`}>
              Peg {peg}, {title}, {machine}
            </Link>{' '}
            <Box as="span" color="second">
              {customer};{' '}
              {handedOverAt
                ? `handed over ${longDate(handedOverAt)}`
                : `in the house since ${longDate(bookedAt)}`}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
