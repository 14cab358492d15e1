'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { Search } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { tinykeys } from 'tinykeys';
import type { Actor } from '@/model/people';
import type { Shop } from '@/model/report';
import type { Right } from '@/model/rights';
import type { RackEntry } from '@/model/snapshot';
import { KeysHelp } from '../frame/KeysHelp';
import { PersonMenu } from '../frame/PersonMenu';
import { WaitingUploads } from '../job/WaitingUploads';
import { TextInput } from '../kit/Field';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { AlsoFound } from './AlsoFound';
import { DateRule } from './DateRule';
import { RackList } from './RackList';
import { RackShelves } from './RackShelves';

interface RackProps {
  readonly shop: Shop;
  readonly entries: readonly RackEntry[];
  readonly actor: Actor;
  readonly rights: readonly Right[];
  readonly today: string;
}

const KEYS = [
  ['/', 'find a unit'],
  ['n', 'book in a unit'],
  ['l', 'list or shelves'],
] as const;

/** Home: the shelves of the shop with what each unit waits for and until when. */
export function Rack({ shop, entries, actor, rights, today }: RackProps) {
  const [sought, setSought] = useState('');
  const [asList, setAsList] = useState(false);
  const search = useRef<HTMLInputElement>(null);
  const router = useRouter();
  const mayBookIn = rights.includes('job.book-in');
  useEffect(
    () =>
      tinykeys(window, {
        '/': (event) => {
          if (event.target instanceof HTMLInputElement) return;
          event.preventDefault();
          search.current?.focus();
        },
        n: (event) => {
          if (!(event.target instanceof HTMLInputElement) && mayBookIn) router.push('/book-in');
        },
        l: (event) => {
          if (!(event.target instanceof HTMLInputElement)) setAsList((list) => !list);
        },
      }),
    [mayBookIn, router],
  );
  const words = sought.trim().toLowerCase();
  const shown = entries.filter((entry) =>
    `${entry.peg} ${entry.title} ${entry.machine} ${entry.customer}`.toLowerCase().includes(words),
  );
  return (
    <Box minHeight="100dvh">
      <Box as="header" bg="bar" color="onBlue" paddingInline="16px" paddingTop="8px">
        <Flex
          align="center"
          gap="16px"
          wrap="wrap"
          borderBottom="1px solid"
          borderColor="onBlueSecond"
          paddingBottom="8px"
        >
          <Box flex="1 1 200px">
            <Heading as="h1">The rack</Heading>
            <Box color="onBlueSecond" fontStretch="87.5%">
              {shop.name}, {shop.place}
            </Box>
          </Box>
          <Flex flex="1 1 320px" align="center" position="relative">
            <Box position="absolute" left="12px" color="second" pointerEvents="none">
              <Search size={20} aria-hidden />
            </Box>
            <TextInput
              ref={search}
              paddingLeft="42px"
              border="none"
              aria-label="Find a unit"
              placeholder="Peg, machine, owner"
              value={sought}
              onChange={(event) => setSought(event.target.value)}
            />
          </Flex>
          <WaitingUploads actor={actor} />
          <PersonMenu actor={actor} />
          <KeysHelp keys={KEYS} />
        </Flex>
        <DateRule entries={entries} today={today} />
      </Box>
      <Box as="main" padding="16px" paddingTop="8px" maxWidth="1920px" margin="0 auto">
        <Flex justify="space-between" align="center" gap="12px" wrap="wrap">
          <Box color="second">
            {shown.length === entries.length
              ? `${entries.length} units in the house`
              : `${shown.length} of ${entries.length} units`}
          </Box>
          <Flex gap="8px">
            <Press onClick={() => setAsList(!asList)}>{asList ? 'Show the shelves' : 'Show as a list'}</Press>
            {mayBookIn && (
              <Link href="/book-in" style={{ textDecoration: 'none' }}>
                <Box
                  as="span"
                  display="inline-flex"
                  alignItems="center"
                  minHeight="44px"
                  paddingInline="20px"
                  bg="blue"
                  color="onBlue"
                  fontWeight={600}
                  fontStretch="87.5%"
                >
                  Book in a unit
                </Box>
              </Link>
            )}
          </Flex>
        </Flex>
        <AlsoFound sought={sought} shown={shown} />
        {entries.length === 0 && <EmptyState>Broken units come here once they are booked in.</EmptyState>}
        {asList ? <RackList entries={shown} today={today} /> : <RackShelves entries={shown} today={today} />}
      </Box>
    </Box>
  );
}
