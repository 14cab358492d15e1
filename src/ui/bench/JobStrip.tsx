'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { Ellipsis, Images, ScanLine } from 'lucide-react';
import Link from 'next/link';
import { formatNumber } from '@/core/quantity/format';
import { openHolds } from '@/core/strip/holds';
import { findActive } from '@/core/wear/active';
import { KeysHelp } from '../frame/KeysHelp';
import { PersonMenu } from '../frame/PersonMenu';
import type { OfJob } from '../job/useBench';
import { useBench } from '../job/useBench';
import { WaitingFigure, WaitingUploads } from '../job/WaitingUploads';
import { longDate, overdueWords, shortDate } from '../kit/dates';
import { PegPlate, SplitPin } from '../kit/PegPlate';
import { Pop } from '../kit/Pop';
import { Press } from '../kit/Press';
import { keysOf } from './keysOf';

export interface StripKeys {
  readonly scanning: boolean;
  readonly holding: boolean;
  readonly onHold: () => void;
  readonly onScan: () => void;
  readonly onPhotographs: () => void;
}

/**
 * What is on the bench, for whom, until when, and what holds it: 52 px whatever the words. The second line gives way first, then
 * the reason of a hold, then the title; plate, date and pin never do.
 */
export function JobStrip({ job, today, ...keys }: OfJob & StripKeys & { readonly today: string }) {
  const { peg, unitTitle, machine, customer, distanceKm, dueOn } = job.snapshot.job;
  const late = overdueWords(dueOn, today);
  const pictures = findActive(job.photographs).length;
  return (
    <Flex height="52px" align="center" gap="12px" borderBottom="1px solid" borderColor="onBlueRule">
      <Link href="/" aria-label="Back to the rack" style={{ display: 'block', flexShrink: 0 }}>
        <PegPlate peg={peg} width={68} />
      </Link>
      <Box flex="1 1 auto" minWidth={{ base: '0', md: '140px' }} fontStretch="87.5%">
        <Heading as="h1" {...ONE_LINE} title={`${unitTitle}, ${machine}`}>
          {unitTitle}
        </Heading>
        <Box {...ONE_LINE} fontSize="13px" lineHeight="18px" color="onBlueSecond">
          {machine} · {customer}
          {distanceKm === null ? '' : ` · ${formatNumber(distanceKm, 0)} km`}
        </Box>
      </Box>
      <Fact label={late ?? 'Due'} brass={late !== undefined} title={longDate(dueOn)}>
        {shortDate(dueOn, today)}
      </Fact>
      <Held job={job} today={today} holding={keys.holding} onHold={keys.onHold} />
      <Flex flexShrink={0} align="center" height="100%" display={{ base: 'none', md: 'flex' }}>
        <StripKeysRow {...{ pictures, keys }} />
      </Flex>
      <Box display={{ base: 'block', md: 'none' }} flexShrink={0}>
        <Pop
          label="More keys"
          width="340px"
          trigger={
            <Press {...STRIP_KEY} aria-label="More keys">
              <Ellipsis size={22} aria-hidden />
              <WaitingFigure />
            </Press>
          }
        >
          <Flex bg="bar" color="onBlue" align="center" justify="space-between" margin="-16px" padding="4px">
            <StripKeysRow {...{ pictures, keys }} />
          </Flex>
        </Pop>
      </Box>
    </Flex>
  );
}

/** What lies in the strip where there is room, and under one key where there is none. */
function StripKeysRow({ pictures, keys }: { readonly pictures: number; readonly keys: StripKeys }) {
  const { actor, place } = useBench();
  return (
    <>
      <Press
        {...STRIP_KEY}
        aria-label={keys.scanning ? 'Put the scanner away' : 'Scan a bag’s label'}
        aria-expanded={keys.scanning}
        onClick={keys.onScan}
      >
        <ScanLine size={22} aria-hidden />
      </Press>
      <Press
        {...STRIP_KEY}
        aria-label={`Photographs ${pictures}`}
        aria-pressed={place.photographs}
        onClick={keys.onPhotographs}
      >
        <Images size={22} aria-hidden /> {pictures}
      </Press>
      <WaitingUploads actor={actor} small />
      <PersonMenu actor={actor} small />
      <KeysHelp keys={keysOf(place.station)} />
    </>
  );
}

/** Cut at a word’s edge, never wrapped to a second line. */
const ONE_LINE = { lineClamp: 1, wordBreak: 'break-word' } as const;
const STRIP_KEY = { kind: 'onBlue', border: 'none', paddingInline: '8px' } as const;

function Held({ job, today, holding, onHold }: OfJob & HeldProps) {
  const holds = openHolds(job.snapshot.records);
  const [first] = holds;
  const until = holds.flatMap(({ content }) => (content.until ? [content.until] : [])).sort()[0];
  const reason = holds.map(({ content }) => content.reason).join('. ');
  return (
    <Press
      kind="onBlue"
      border="none"
      flex="0 6 auto"
      minWidth={first ? { base: '44px', md: '150px' } : '44px'}
      paddingInline="4px"
      gap="8px"
      justifyContent="flex-start"
      textAlign="left"
      aria-expanded={holding}
      aria-label={first ? `On hold: ${reason}` : 'Hold: none'}
      title={reason}
      onClick={onHold}
    >
      {first && <SplitPin colour="brass" size={30} />}
      <Box minWidth="0" display={first ? { base: 'none', md: 'block' } : { base: 'none', sm: 'block' }}>
        <Box {...ONE_LINE} fontSize="13px" lineHeight="18px" fontWeight={400} color="onBlueSecond">
          {first ? (
            <>
              <Box as="span" color="brass" fontWeight={650}>
                On hold
              </Box>
              {until ? ` until ${shortDate(until, today)}` : ''}
            </>
          ) : (
            'Hold'
          )}
        </Box>
        <Box {...ONE_LINE} fontWeight={first ? 400 : 650}>
          {first ? reason : 'none'}
        </Box>
      </Box>
    </Press>
  );
}

interface HeldProps extends Pick<StripKeys, 'holding' | 'onHold'> {
  readonly today: string;
}

interface FactProps {
  readonly label: string;
  readonly brass: boolean;
  readonly title: string;
  readonly children: string;
}

function Fact({ label, brass, title, children }: FactProps) {
  return (
    <Box
      flexShrink={0}
      fontStretch="87.5%"
      whiteSpace="nowrap"
      borderLeft={{ md: '1px solid' }}
      borderColor={{ md: 'onBlueRule' }}
      paddingLeft={{ md: '12px' }}
      color={brass ? 'brass' : 'onBlue'}
      title={title}
    >
      <Box fontSize="13px" lineHeight="18px" color={brass ? 'brass' : 'onBlueSecond'}>
        {label}
      </Box>
      <Box fontWeight={650}>{children}</Box>
    </Box>
  );
}
