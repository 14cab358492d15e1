'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import type { StationCount } from '@/core/decisions/stationCounts';
import type { StationId } from '@/model/job';
import { SplitPin } from '../kit/PegPlate';

/** From here on only what is open stands as ticks; what is done lies as a bar. */
const MOST_TICKS = 60;
const PITCH_PX = 5;
const TICK = 'linear-gradient(90deg, currentColor min(1.5px, 60%), transparent min(1.5px, 60%))';

interface RunProps {
  readonly counts: readonly StationCount[];
  readonly current: StationId;
  /** The last station that a hold keeps the job at. */
  readonly heldAt: StationId | undefined;
  readonly onGo: (station: StationId) => void;
}

/** The nine stations as a ruled scale; each tick is one thing, long where it is still open. It guides and never locks. */
export function Run({ counts, current, heldAt, onGo }: RunProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const held = counts.findIndex(({ id }) => id === heldAt);
  useEffect(() => {
    const run = scroller.current;
    const here = run?.querySelector<HTMLElement>(`[data-station="${current}"]`);
    if (!run || !here) return;
    run.scrollLeft = here.offsetLeft - (run.clientWidth - here.offsetWidth) / 2;
  }, [current]);
  return (
    <Box
      ref={scroller}
      as="nav"
      aria-label="Stations"
      overflowX="auto"
      overflowY="hidden"
      scrollbarWidth="none"
    >
      <Flex as="ol" listStyleType="none" position="relative" minWidth="980px" width="100%" height="48px">
        {counts.map((station, index) => {
          const here = station.id === current;
          return (
            <Box
              as="li"
              key={station.id}
              flex="1 1 0"
              minWidth="0"
              position="relative"
              data-station={station.id}
            >
              {here && <Box position="absolute" top="0" left="0" right="0" height="3px" bg="brass" />}
              {held >= 0 && index === held + 1 && (
                <Box position="absolute" top="2px" left="-11px" zIndex={1} bg="bar" paddingInline="1px">
                  <SplitPin colour="brass" size={20} />
                </Box>
              )}
              <chakra.button
                type="button"
                display="flex"
                alignItems="flex-start"
                gap="6px"
                position="relative"
                width="100%"
                height="48px"
                textAlign="left"
                paddingInline="8px"
                paddingTop="8px"
                cursor="pointer"
                color={here ? 'brass' : 'onBlue'}
                borderLeft="1px solid"
                borderRight={index === counts.length - 1 ? '1px solid' : undefined}
                borderColor={here ? 'brass' : 'onBlueRule'}
                fontStretch="87.5%"
                lineHeight="20px"
                whiteSpace="nowrap"
                overflow="hidden"
                aria-current={here ? 'step' : undefined}
                onClick={() => onGo(station.id)}
              >
                <Box as="span" fontWeight={650}>
                  {station.name}
                </Box>
                <Box as="span" fontSize="13px">
                  <Count station={station} />
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

/** Where there is little room the figure stands alone; what it counts is still said. */
function Count({ station: { open, left, done } }: { readonly station: StationCount }) {
  if (open === null) return <>later</>;
  const words = (text: string) => (
    <Box as="span" css={{ '@media (max-width: 1199px)': { fontSize: 0 } }}>
      {text}
    </Box>
  );
  if (open > 0)
    return (
      <>
        {open}
        {words(' open')}
      </>
    );
  if (left > 0) return words(`${left} left out`);
  // Nothing to do where nothing is described is no work that was done.
  return words(done > 0 ? 'done' : 'nothing here');
}

/** One tick a thing, on the lower edge of the run: 14 px for what is open, 6 px for what is done. */
function Ticks({ station }: { readonly station: StationCount }) {
  const open = station.open ?? 0;
  const { done } = station;
  const bar = open + done > MOST_TICKS;
  const stand = bar ? open : open + done;
  const ticks = (share: number, height: number, opacity: number) =>
    share > 0 && (
      <div
        data-ticks={share}
        style={{
          width: `${(share / stand) * 100}%`,
          height,
          opacity,
          backgroundSize: `${100 / share}% 100%`,
          backgroundImage: TICK,
        }}
      />
    );
  return (
    <Box aria-hidden="true" position="absolute" bottom="0" left="8px" right="8px">
      <Flex align="flex-end" height="14px" width={`min(100%, ${stand * PITCH_PX}px)`}>
        {ticks(open, 14, 1)}
        {!bar && ticks(done, 6, 0.6)}
        {bar && done > 0 && open === 0 && <Box height="5px" flex="1" bg="currentColor" opacity={0.6} />}
      </Flex>
    </Box>
  );
}
