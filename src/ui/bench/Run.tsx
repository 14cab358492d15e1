'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import type { StationCount } from '@/core/decisions/stationCounts';
import type { StationId } from '@/model/job';

const MOST_TICKS = 22;

/** The nine stations as a ruled scale; each mark is one thing, long where it is still open. It guides and never locks. */
export function Run({
  counts,
  current,
  onGo,
}: {
  readonly counts: readonly StationCount[];
  readonly current: StationId;
  readonly onGo: (station: StationId) => void;
}) {
  return (
    <Box as="nav" aria-label="Stations" overflowX="auto" overflowY="hidden">
      <Flex as="ol" listStyleType="none" minWidth="960px" width="100%">
        {counts.map((station) => {
          const here = station.id === current;
          return (
            <Box as="li" key={station.id} flex="1 1 0" position="relative">
              {here && <Box position="absolute" top="-1px" left="0" right="0" height="3px" bg="brass" />}
              <chakra.button
                type="button"
                width="100%"
                textAlign="left"
                paddingInline="8px"
                paddingTop="8px"
                minHeight="56px"
                cursor="pointer"
                color={here ? 'brass' : 'onBlue'}
                borderLeft="1.5px solid"
                borderColor="onBlueSecond"
                fontStretch="87.5%"
                aria-current={here ? 'step' : undefined}
                onClick={() => onGo(station.id)}
              >
                <Box fontWeight={650}>{station.name}</Box>
                <Box fontSize="13px" lineHeight="18px">
                  {openWords(station)}
                </Box>
                <Ticks station={station} />
              </chakra.button>
            </Box>
          );
        })}
      </Flex>
    </Box>
  );
}

function openWords({ open, left }: StationCount): string {
  if (open === null) return 'comes later';
  if (open > 0) return `${open} open`;
  return left > 0 ? `${left} left out` : 'all done';
}

function Ticks({ station }: { readonly station: StationCount }) {
  const open = Math.min(station.open ?? 0, MOST_TICKS);
  const done = Math.min(station.done, MOST_TICKS - open);
  return (
    <Flex aria-hidden="true" height="12px" align="flex-end" gap="3px" marginTop="2px">
      {Array.from({ length: open }, (_, index) => (
        <Box key={`o${index}`} width="1.5px" height="12px" bg="currentColor" />
      ))}
      {Array.from({ length: done }, (_, index) => (
        <Box key={`d${index}`} width="1px" height="5px" bg="currentColor" opacity={0.7} />
      ))}
      {(station.open ?? 0) > MOST_TICKS && (
        <Box as="span" fontSize="12px" lineHeight="12px">
          +{(station.open ?? 0) - MOST_TICKS}
        </Box>
      )}
    </Flex>
  );
}
