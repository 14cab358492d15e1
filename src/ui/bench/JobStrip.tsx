'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { Images, ScanLine } from 'lucide-react';
import Link from 'next/link';
import { formatNumber } from '@/core/quantity/format';
import { openHolds } from '@/core/strip/holds';
import { findActive } from '@/core/wear/active';
import type { Actor } from '@/model/people';
import { KeysHelp } from '../frame/KeysHelp';
import { PersonMenu } from '../frame/PersonMenu';
import type { BenchJob } from '../job/useJob';
import { WaitingUploads } from '../job/WaitingUploads';
import { overdueWords, shortDate } from '../kit/dates';
import { PegPlate, SplitPin } from '../kit/PegPlate';
import { Press } from '../kit/Press';

const KEYS = [
  ['← →', 'walk along the axis'],
  ['Enter', 'open the part, take the reading'],
  ['l', 'section or list'],
  ['+ − 0', 'nearer, farther, whole: on a photograph'],
  ['Esc', 'close the ticket or the photographs'],
] as const;

interface JobStripProps {
  readonly job: BenchJob;
  readonly actor: Actor;
  readonly today: string;
  readonly scanning: boolean;
  readonly holding: boolean;
  readonly onHold: () => void;
  readonly onScan: () => void;
  readonly onPhotographs: () => void;
}

/** What is on the bench, for whom, until when, and what holds it. */
export function JobStrip({
  job,
  actor,
  today,
  scanning,
  holding,
  onHold,
  onScan,
  onPhotographs,
}: JobStripProps) {
  const { peg, unitTitle, machine, customer, distanceKm, dueOn } = job.snapshot.job;
  const holds = openHolds(job.snapshot.records);
  const late = overdueWords(dueOn, today);
  return (
    <Flex
      align="center"
      gap="16px"
      wrap="wrap"
      borderBottom="1px solid"
      borderColor="onBlueSecond"
      paddingBottom="8px"
    >
      <Link href="/" aria-label="Back to the rack" style={{ display: 'block' }}>
        <PegPlate peg={peg} />
      </Link>
      <Box flex="1 1 260px">
        <Heading as="h1">
          {unitTitle}, {machine}
        </Heading>
        <Box color="onBlueSecond" fontStretch="87.5%">
          {customer}
          {distanceKm === null ? '' : ` · ${formatNumber(distanceKm, 0)} km`}
        </Box>
      </Box>
      <Fact
        label="Due"
        value={late ? `${shortDate(dueOn)}, ${late}` : shortDate(dueOn)}
        brass={late !== undefined}
      />
      <Press
        kind="onBlue"
        border="none"
        paddingInline="4px"
        textAlign="left"
        aria-expanded={holding}
        onClick={onHold}
      >
        {holds.length > 0 && <SplitPin colour="brass" size={24} />}
        <Fact
          label="Hold"
          value={holds.map(({ content }) => content.reason).join('. ') || 'none'}
          brass={holds.length > 0}
        />
      </Press>
      <Press
        kind="onBlue"
        aria-label={scanning ? 'Put the scanner away' : 'Scan a bag’s label'}
        aria-expanded={scanning}
        onClick={onScan}
      >
        <ScanLine size={22} aria-hidden />
      </Press>
      <Press kind="onBlue" onClick={onPhotographs}>
        <Images size={20} aria-hidden /> Photographs {findActive(job.photographs).length}
      </Press>
      <WaitingUploads actor={actor} />
      <PersonMenu actor={actor} />
      <KeysHelp keys={KEYS} />
    </Flex>
  );
}

function Fact({
  label,
  value,
  brass,
}: {
  readonly label: string;
  readonly value: string;
  readonly brass: boolean;
}) {
  return (
    <Box fontStretch="87.5%" maxWidth="150px">
      <Box fontSize="13px" lineHeight="18px" color="onBlueSecond">
        {label}
      </Box>
      <Box
        fontWeight={600}
        color={brass ? 'brass' : 'onBlue'}
        overflow="hidden"
        textOverflow="ellipsis"
        whiteSpace="nowrap"
        title={value}
      >
        {value}
      </Box>
    </Box>
  );
}
