'use client';

import { Box, chakra } from '@chakra-ui/react';
import { addDays, differenceInCalendarDays, format, isWeekend, parseISO } from 'date-fns';
import type { RackEntry } from '@/model/snapshot';
import { PegPlate } from '../kit/PegPlate';

const DAYS_AHEAD = 11;
const DAYS_BACK = 7;

/** The next dates on a ruled scale; what is overdue is a stretch of brass up to today. Plates on one date stand side by side. */
export function DateRule({
  entries,
  today,
}: {
  readonly entries: readonly RackEntry[];
  readonly today: string;
}) {
  const now = parseISO(today);
  const offset = (dueOn: string) => Math.max(-DAYS_BACK, differenceInCalendarDays(parseISO(dueOn), now));
  const first = Math.min(0, ...entries.map((entry) => offset(entry.dueOn)));
  const days = Array.from({ length: DAYS_AHEAD - first + 1 }, (_, index) => first + index);
  const place = (day: number) => `${4 + ((day - first) / (DAYS_AHEAD - first)) * 92}%`;
  return (
    <Box
      position="relative"
      height="64px"
      marginTop="4px"
      display={{ base: 'none', md: 'block' }}
      aria-hidden="true"
    >
      {first < 0 && (
        <Box
          position="absolute"
          bottom="0"
          height="5px"
          bg="brass"
          left={place(first)}
          width={`calc(${place(0)} - ${place(first)})`}
        />
      )}
      {days.map((day) => {
        const date = addDays(now, day);
        const due = entries.filter((entry) => offset(entry.dueOn) === day);
        const named = due.length > 0 || day === 0;
        return (
          <Box
            key={day}
            position="absolute"
            left={place(day)}
            bottom="0"
            transform="translateX(-50%)"
            textAlign="center"
          >
            <Box display="flex" gap="4px" justifyContent="center">
              {due.slice(0, 2).map((entry) => (
                <PegPlate key={entry.peg} peg={entry.peg} width={34} />
              ))}
              {due.length > 2 && <chakra.span fontSize="13px">+{due.length - 2}</chakra.span>}
            </Box>
            {named && (
              <Box
                fontSize="13px"
                lineHeight="18px"
                fontStretch="87.5%"
                whiteSpace="nowrap"
                color={day === 0 ? 'brass' : 'onBlueSecond'}
                fontWeight={day === 0 ? 650 : 400}
              >
                {day === 0 ? 'Today' : format(date, 'EEE d')}
              </Box>
            )}
            <Box
              margin="0 auto"
              width={named ? '2px' : '1px'}
              height={named ? '12px' : isWeekend(date) ? '4px' : '8px'}
              bg={day === 0 ? 'brass' : 'onBlueSecond'}
            />
          </Box>
        );
      })}
    </Box>
  );
}
