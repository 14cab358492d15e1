'use client';

import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { longDate } from '../kit/dates';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

interface Earlier {
  readonly peg: number;
  readonly bookedAt: string;
  readonly unitTitle: string;
  readonly machine: string;
  readonly complaint: string;
  readonly renewed: readonly string[];
}

const PAUSE_MS = 300;

/** Found while typing: the same serial number, or a peg number of this house stamped on the case. */
export function SeenBefore({
  serial,
  peg,
  onTake,
}: {
  readonly serial: string;
  readonly peg: number;
  readonly onTake: (words: string) => void;
}) {
  const [earlier, setEarlier] = useState<readonly Earlier[]>([]);
  useEffect(() => {
    const asked = new URLSearchParams({ serial, peg: String(Number.isInteger(peg) && peg > 0 ? peg : 0) });
    let current = true;
    const timer = setTimeout(async () => {
      const answer = await send<{ earlier: readonly Earlier[] }>('GET', `/api/v1/history?${asked}`);
      if (current) setEarlier(answer.ok ? answer.value.earlier : []);
    }, PAUSE_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [serial, peg]);
  if (earlier.length === 0) return null;
  return (
    <Box
      role="status"
      data-testid="seen-before"
      borderLeft="4px solid"
      borderColor="metal"
      paddingLeft="12px"
      marginBottom="12px"
    >
      {earlier.map((job) => (
        <Box key={job.peg} marginBottom="4px">
          <strong>Ours:</strong> {words(job)} <Link href={`/jobs/${job.peg}`}>Peg {job.peg}</Link>{' '}
          <Press kind="quiet" onClick={() => onTake(`Ours: ${words(job)} (peg ${job.peg})`)}>
            into the history
          </Press>
        </Box>
      ))}
    </Box>
  );
}

const words = ({ bookedAt, unitTitle, machine, renewed }: Earlier): string =>
  `${unitTitle}, ${machine}, job of ${longDate(bookedAt)}, ${renewed.length === 0 ? 'nothing renewed' : `renewed: ${renewed.join(', ')}`}.`;
