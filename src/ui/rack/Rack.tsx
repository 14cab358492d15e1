'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { Search } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { tinykeys } from 'tinykeys';
import type { Actor } from '@/model/people';
import type { Shop } from '@/model/report';
import type { Right } from '@/model/rights';
import type { RackPage } from '@/model/snapshot';
import { KeysHelp } from '../frame/KeysHelp';
import { PersonMenu } from '../frame/PersonMenu';
import { typesInto } from '../frame/typesInto';
import { WaitingUploads } from '../job/WaitingUploads';
import { longDate } from '../kit/dates';
import { TextInput } from '../kit/Field';
import { Arriving, later } from '../kit/later';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press, PressLink } from '../kit/Press';
import { DateRule } from './DateRule';
import { Found } from './Found';
import { RackShelves } from './RackShelves';
import { useRackPages } from './useRackPages';
import { useSearch } from './useSearch';

const RackList = later(() => import('./RackList').then((m) => m.RackList));

interface RackProps extends RackPage {
  readonly shop: Shop;
  readonly actor: Actor;
  readonly rights: readonly Right[];
  readonly today: string;
}

const KEYS = [
  ['/', 'find a unit'],
  ['Enter', 'open the first that is found'],
  ['n', 'book in a unit'],
  ['l', 'list or shelves'],
] as const;

/** Home: the shelves of the shop with what each unit waits for and until when; any unit that ever hung here is found by its words. */
export function Rack({ shop, actor, rights, today, ...first }: RackProps) {
  const [sought, setSought] = useState('');
  const [asList, setAsList] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const router = useRouter();
  const rack = useRackPages(first);
  const searched = useSearch(sought);
  const mayBookIn = rights.includes('job.book-in');
  useEffect(
    () =>
      tinykeys(window, {
        '/': (event) => {
          if (typesInto(event.target)) return;
          event.preventDefault();
          field.current?.focus();
        },
        n: (event) => {
          if (!typesInto(event.target) && mayBookIn) router.push('/book-in');
        },
        l: (event) => {
          if (!typesInto(event.target)) setAsList((list) => !list);
        },
      }),
    [mayBookIn, router],
  );
  const onKey = (event: KeyboardEvent) => {
    const [firstFound] = searched.found;
    if (event.key === 'Enter' && firstFound && !searched.asking) router.push(`/jobs/${firstFound.peg}`);
    if (event.key === 'Escape') setSought('');
  };
  const inTheHouse = rack.days.reduce((sum, { units }) => sum + units, 0);
  return (
    <Box minHeight="100dvh">
      <Box as="header" bg="bar" color="onBlue" paddingInline="16px">
        <Flex
          align="center"
          gap={{ base: '8px', md: '16px' }}
          minHeight="60px"
          wrap={{ base: 'wrap', md: 'nowrap' }}
          paddingBlock={{ base: '8px', md: '0' }}
          borderBottom="1px solid"
          borderColor="onBlueRule"
        >
          <Box flex="1 1 160px" minWidth="0">
            <Heading as="h1">The rack</Heading>
            <Box color="onBlueSecond" fontStretch="87.5%" fontSize="13px" lineHeight="18px">
              {shop.name}, {shop.place}
            </Box>
          </Box>
          <Flex
            order={{ base: 3, md: 0 }}
            flex={{ base: '1 0 100%', md: '1 1 320px' }}
            align="center"
            position="relative"
          >
            <Box position="absolute" left="12px" color="second" pointerEvents="none">
              <Search size={20} aria-hidden />
            </Box>
            <TextInput
              ref={field}
              paddingLeft="42px"
              border="none"
              aria-label="Find a unit"
              placeholder="Peg, serial, machine, owner, words of the complaint"
              value={sought}
              onChange={(event) => setSought(event.target.value)}
              onKeyDown={onKey}
            />
          </Flex>
          <WaitingUploads actor={actor} small />
          <PersonMenu actor={actor} />
          <KeysHelp keys={KEYS} />
        </Flex>
        <DateRule
          days={rack.days}
          entries={rack.entries}
          today={today}
          onDay={(day) => void rack.startAt(day)}
        />
      </Box>
      <Box as="main" padding="12px 16px" maxWidth="1920px" margin="0 auto">
        <Flex justify="space-between" align="center" gap="12px" wrap="wrap">
          <Box color="second" aria-live="polite">
            {searched.seeks
              ? `${searched.found.length}${searched.more ? ' and more' : ''} found`
              : `${inTheHouse} units in the house${rack.from ? `, from ${longDate(rack.from)} on` : ''}`}
          </Box>
          <Flex gap="8px" wrap="wrap">
            {rack.from && !searched.seeks && (
              <Press onClick={() => void rack.startAt(undefined)}>From the first that is due</Press>
            )}
            <Press onClick={() => setAsList(!asList)}>{asList ? 'Show the shelves' : 'Show as a list'}</Press>
            {mayBookIn && (
              <PressLink href="/book-in" kind="main">
                Book in a unit
              </PressLink>
            )}
          </Flex>
        </Flex>
        {rack.dangers.map((words) => (
          <ErrorNotice key={words}>{words}</ErrorNotice>
        ))}
        {rack.trouble && <ErrorNotice>{rack.trouble}</ErrorNotice>}
        {searched.seeks ? (
          <Found searched={searched} />
        ) : (
          <>
            {inTheHouse === 0 && <EmptyState>Broken units come here once they are booked in.</EmptyState>}
            {asList ? (
              <Arriving>
                <RackList entries={rack.entries} today={today} />
              </Arriving>
            ) : (
              <RackShelves entries={rack.entries} today={today} />
            )}
            {rack.more && (
              <Press marginTop="16px" width="100%" onClick={() => void rack.loadMore()}>
                Show the next that are due
              </Press>
            )}
          </>
        )}
      </Box>
    </Box>
  );
}
