'use client';

import { Box, chakra } from '@chakra-ui/react';
import { addDays, differenceInCalendarDays, format, isWeekend, parseISO } from 'date-fns';
import type { RackDay, RackEntry } from '@/model/snapshot';
import { longDate } from '../kit/dates';
import { PegPlate } from '../kit/PegPlate';

const DAYS_AHEAD = 11;
const DAYS_BACK = 7;

interface DateRuleProps {
  /** Every day that units are due on. */
  readonly days: readonly RackDay[];
  /** Those that are on the shelves now: their plates hang over their day. */
  readonly entries: readonly RackEntry[];
  readonly today: string;
  readonly onDay: (day: string) => void;
}

/**
 * The next dates on a ruled scale; what is overdue is a stretch of brass up to today. Plates of one date stand side by side; a press on
 * a date begins the shelves there, and what is due later than the scale reaches stands at its end.
 */
export function DateRule({ days, entries, today, onDay }: DateRuleProps) {
  const now = parseISO(today);
  const offset = (dueOn: string) => differenceInCalendarDays(parseISO(dueOn), now);
  const onScale = (dueOn: string) => Math.min(DAYS_AHEAD + 1, Math.max(-DAYS_BACK, offset(dueOn)));
  const first = Math.min(0, ...days.map(({ dueOn }) => onScale(dueOn)));
  const last = DAYS_AHEAD + 1;
  const place = (day: number) => `${4 + ((day - first) / (last - first)) * 92}%`;
  const marks = Array.from({ length: last - first + 1 }, (_, index) => first + index);
  return (
    <Box
      position="relative"
      height="76px"
      display={{ base: 'none', md: 'block' }}
      aria-label="Dates"
      role="group"
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
      {marks.map((day) => {
        const due = days.filter(({ dueOn }) => onScale(dueOn) === day);
        const units = due.reduce((sum, { units: each }) => sum + each, 0);
        const name = day === 0 ? 'Today' : day === last ? 'Later' : format(addDays(now, day), 'EEE d');
        const [earliest] = due;
        return (
          <Box
            key={day}
            position="absolute"
            left={place(day)}
            bottom="0"
            transform="translateX(-50%)"
            textAlign="center"
          >
            {earliest && (
              <DayKey
                name={name}
                units={units}
                plates={entries.filter(({ dueOn }) => onScale(dueOn) === day).slice(0, 2)}
                today={day === 0}
                words={`${units} due ${day === last ? `from ${longDate(earliest.dueOn)} on` : longDate(earliest.dueOn)}`}
                onPress={() => onDay(earliest.dueOn)}
              />
            )}
            {!earliest && day === 0 && (
              <Box fontSize="13px" lineHeight="18px" fontStretch="87.5%" color="brass" fontWeight={650}>
                Today
              </Box>
            )}
            <Box
              margin="0 auto"
              width={units > 0 || day === 0 ? '2px' : '1px'}
              height={units > 0 || day === 0 ? '12px' : isWeekend(addDays(now, day)) ? '4px' : '8px'}
              bg={day === 0 ? 'brass' : 'onBlueSecond'}
            />
          </Box>
        );
      })}
    </Box>
  );
}

interface DayKeyProps {
  readonly name: string;
  readonly units: number;
  readonly plates: readonly RackEntry[];
  readonly today: boolean;
  readonly words: string;
  readonly onPress: () => void;
}

function DayKey({ name, units, plates, today, words, onPress }: DayKeyProps) {
  const rest = units - plates.length;
  return (
    <chakra.button
      type="button"
      cursor="pointer"
      minWidth="44px"
      minHeight="44px"
      paddingInline="2px"
      color={today ? 'brass' : 'onBlueSecond'}
      fontSize="13px"
      lineHeight="18px"
      fontStretch="87.5%"
      whiteSpace="nowrap"
      aria-label={words}
      title={words}
      onClick={onPress}
    >
      <Box display="flex" gap="4px" justifyContent="center" alignItems="center" height="22px">
        {plates.map((entry) => (
          <PegPlate key={entry.peg} peg={entry.peg} width={34} />
        ))}
        {rest > 0 && <span>{plates.length > 0 ? `+${rest}` : rest}</span>}
      </Box>
      <Box fontWeight={today ? 650 : 400}>{name}</Box>
    </chakra.button>
  );
}
