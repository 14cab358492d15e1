'use client';

import { Box, Flex } from '@chakra-ui/react';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { formatNumber } from '@/core/quantity/format';
import type { EarlierJob } from '@/model/earlier';
import { UNIT_SYMBOL } from '@/model/units';
import { longDate } from '../kit/dates';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

const PAUSE_MS = 300;

interface SeenBeforeProps {
  readonly serial: string;
  readonly peg: number;
  readonly machine: string;
  readonly customer: string;
  /** As it stands now, for what it has gone since. */
  readonly distanceKm: number | undefined;
  /** The job that this one is said to be a comeback of. */
  readonly chosen: string | undefined;
  readonly onOurs: (earlier: EarlierJob, history: string) => void;
  readonly onNotOurs: () => void;
}

/** Found while typing: the same serial number, a peg number of this house stamped on the case, or the same machine of the same owner. */
export function SeenBefore({
  serial,
  peg,
  machine,
  customer,
  distanceKm,
  chosen,
  onOurs,
  onNotOurs,
}: SeenBeforeProps) {
  const [earlier, setEarlier] = useState<readonly EarlierJob[]>([]);
  useEffect(() => {
    const stamped = String(Number.isInteger(peg) && peg > 0 ? peg : 0);
    const asked = new URLSearchParams({ serial, peg: stamped, machine, customer });
    let current = true;
    const timer = setTimeout(async () => {
      const answer = await send<{ earlier: readonly EarlierJob[] }>('GET', `/api/v1/history?${asked}`);
      if (current) setEarlier(answer.ok ? answer.value.earlier : []);
    }, PAUSE_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [serial, peg, machine, customer]);
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
        <Box key={job.jobId} marginBottom="8px">
          <strong>Here before:</strong> {headWords(job)} <Link href={`/jobs/${job.peg}`}>Peg {job.peg}</Link>
          <Box fontSize="13px" lineHeight="18px">
            {factWords(job, distanceKm).map((words) => (
              <Box key={words}>{words}</Box>
            ))}
          </Box>
          {chosen === job.jobId ? (
            <Flex gap="8px" align="center" wrap="wrap">
              <strong>This one is ours: it counts as a comeback of peg {job.peg}.</strong>
              <Press kind="quiet" onClick={onNotOurs}>
                not so
              </Press>
            </Flex>
          ) : (
            <Press onClick={() => onOurs(job, `${headWords(job)} ${factWords(job, distanceKm).join(' ')}`)}>
              This one is ours
            </Press>
          )}
        </Box>
      ))}
    </Box>
  );
}

const headWords = ({ bookedAt, unitTitle, machine, customer }: EarlierJob): string =>
  `${unitTitle}, ${machine}, ${customer}, job of ${longDate(bookedAt)}.`;

/** What was fitted and set then and by whom, which oil, and how far it has gone since. */
function factWords(
  { renewed, set, oil, handedOver, distanceKm }: EarlierJob,
  now: number | undefined,
): string[] {
  const gone = now !== undefined && distanceKm !== null ? now - distanceKm : undefined;
  return [
    renewed.length === 0 ? 'Nothing renewed.' : `Renewed: ${byWhom(renewed)}.`,
    set.length === 0
      ? ''
      : `Set: ${set.map(({ title, value, unit, by }) => `${title} ${formatNumber(value, 2)} ${UNIT_SYMBOL[unit]}${by ? ` (${by})` : ''}`).join('; ')}.`,
    oil === '' ? '' : `Oil: ${oil}.`,
    handedOver
      ? `Left on ${longDate(handedOver.at)}, by ${handedOver.by}.`
      : 'It was never handed over here.',
    gone === undefined
      ? ''
      : gone < 0
        ? `It had gone ${formatNumber(-gone, 0)} km more then than now: one of the two distances is wrong.`
        : `It has gone ${formatNumber(gone, 0)} km since it was booked in then.`,
  ].filter((words) => words !== '');
}

/** Parts by who decided them. */
function byWhom(renewed: EarlierJob['renewed']): string {
  const people = [...new Set(renewed.map(({ by }) => by))];
  return people
    .map(
      (person) =>
        `${renewed
          .filter(({ by }) => by === person)
          .map(({ name }) => name)
          .join(', ')} (${person})`,
    )
    .join('; ');
}
