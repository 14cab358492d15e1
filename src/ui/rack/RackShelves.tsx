import { Box, Flex } from '@chakra-ui/react';
import Link from 'next/link';
import type { RackEntry } from '@/model/snapshot';
import { overdueWords, shortDate } from '../kit/dates';
import { PegPlate, SplitPin } from '../kit/PegPlate';
import { UnitShape } from '../kit/UnitShape';
import { shelvesOf } from './shelves';
import { tellAsked } from './tellAsked';

export function RackShelves({
  entries,
  today,
}: {
  readonly entries: readonly RackEntry[];
  readonly today: string;
}) {
  return (
    <Box>
      {shelvesOf(entries).map((shelf) => (
        <Box as="section" key={shelf.name} aria-label={`Shelf ${shelf.name}`} position="relative">
          <Flex
            as="ul"
            listStyleType="none"
            wrap="wrap"
            align="stretch"
            columnGap="28px"
            margin="0"
            padding="0 16px"
            position="relative"
            minHeight="104px"
          >
            {shelf.entries.map((entry) => (
              <ShelfPlace key={entry.peg} entry={entry} today={today} />
            ))}
            <Box
              as="li"
              aria-hidden="true"
              flex="1 1 0"
              minWidth="0"
              height="100px"
              borderBottom="6px solid"
              borderColor="ink"
              marginLeft="-28px"
              marginRight="-16px"
            />
          </Flex>
          <Box position="absolute" right="8px" top="64px" fontSize="13px" color="second" fontStretch="87.5%">
            {shelf.name}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** A unit on its board, the plate hanging below on a wire, what it waits for beside it. */
function ShelfPlace({ entry, today }: { readonly entry: RackEntry; readonly today: string }) {
  const late = overdueWords(entry.dueOn, today);
  return (
    <Box as="li" flex="1 1 290px" maxWidth="410px" position="relative">
      <Link
        href={`/jobs/${entry.peg}`}
        style={{ color: 'inherit', textDecoration: 'none', display: 'block' }}
        aria-label={`Peg ${entry.peg}, ${entry.title}, ${entry.machine}`}
      >
        <Flex height="94px" align="flex-end" paddingLeft="8px">
          <UnitShape unitTypeId={entry.unitTypeId} revision={entry.unitTypeRevision} />
        </Flex>
        <Box height="6px" bg="ink" marginInline="-28px" />
        <Flex gap="12px" paddingTop="10px" paddingBottom="14px" position="relative">
          <Box position="absolute" left="36px" top="0" width="1.5px" height="14px" bg="ink" />
          <Box>
            <PegPlate peg={entry.peg} />
            {entry.hold && (
              <Box paddingLeft="20px" paddingTop="6px">
                <SplitPin />
              </Box>
            )}
          </Box>
          <Box fontStretch="87.5%">
            <Box fontWeight={650} fontSize="16px">
              {entry.title}
              {late && (
                <Box
                  as="span"
                  bg="blue"
                  color="brass"
                  paddingInline="8px"
                  paddingBlock="2px"
                  marginLeft="8px"
                  whiteSpace="nowrap"
                >
                  {late}
                </Box>
              )}
            </Box>
            <Box color="second">
              {entry.machine}, {entry.customer}
            </Box>
            <Box>
              {entry.trouble ? (
                <Box color="oxide" fontWeight={650}>
                  {entry.trouble}
                </Box>
              ) : entry.hold ? (
                <>
                  <strong>On hold:</strong> {entry.hold}
                </>
              ) : entry.waitsFor ? (
                `Waits for ${entry.waitsFor}`
              ) : (
                'Waits for nothing'
              )}
            </Box>
            {entry.asked > 0 && <Box fontWeight={650}>{tellAsked(entry.asked)}</Box>}
            <Box>
              {late
                ? `was promised ${shortDate(entry.dueOn, today)}`
                : `until ${shortDate(entry.dueOn, today)}`}
            </Box>
          </Box>
        </Flex>
      </Link>
    </Box>
  );
}
