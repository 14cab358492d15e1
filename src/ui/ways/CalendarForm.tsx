import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { parseReading } from '@/core/quantity/parseReading';
import { readDay } from '@/core/time/readDay';
import type { Calendar } from '@/model/calendar';
import { longDate } from '../kit/dates';
import { Field, TextArea, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

const WEEK = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const todayHere = (): string => new Date().toISOString().slice(0, 10);

interface CalendarFormProps {
  readonly calendar: Calendar;
  readonly maySet: boolean;
}

/** On which days the shop works: parts arrive and units get ready on these alone. */
export function CalendarForm({ calendar, maySet }: CalendarFormProps) {
  const [weekdays, setWeekdays] = useState(calendar.weekdays);
  const [hours, setHours] = useState(String(calendar.hoursADay));
  const [closed, setClosed] = useState(calendar.closed.map(longDate).join('\n'));
  const [told, setTold] = useState('');
  const [trouble, setTrouble] = useState('');
  const read = (): Calendar | string => {
    const hoursADay = parseReading(hours, { unit: 'h' });
    if (!hoursADay.ok) return `Hours a day: ${hoursADay.message}`;
    const written = closed
      .split(/\n|;/)
      .map((line) => line.trim())
      .filter(Boolean);
    const days = written.map((line) => readDay(line, todayHere()));
    const wrong = days.indexOf(undefined);
    if (wrong >= 0) return `“${written[wrong]}” is no day. Write each on a line of its own, as 24 Dec 2026.`;
    return {
      weekdays,
      closed: [...new Set(days as string[])].sort(),
      hoursADay: hoursADay.value,
    };
  };
  const save = async () => {
    const next = read();
    setTold('');
    if (typeof next === 'string') return setTrouble(next);
    const answer = await send<Calendar>('PUT', '/api/v1/shop/calendar', next);
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (!answer.ok) return;
    setClosed(answer.value.closed.map(longDate).join('\n'));
    setTold('Kept. Every day that is promised from now on is counted by it.');
  };
  return (
    <Box as="section" aria-label="Days and hours" marginTop="24px">
      <Heading as="h2">Days and hours</Heading>
      <Box color="second" marginBottom="8px">
        Parts come in and units get ready on working days alone. A part “in three days” comes on the third
        working day after its order.
      </Box>
      <Flex gap="6px" wrap="wrap" role="group" aria-label="Days that are worked" marginBottom="10px">
        {WEEK.map((name, at) => (
          <Press
            key={name}
            chosen={weekdays.includes(at + 1)}
            aria-pressed={weekdays.includes(at + 1)}
            disabled={!maySet}
            onClick={() =>
              setWeekdays(
                weekdays.includes(at + 1)
                  ? weekdays.filter((day) => day !== at + 1)
                  : [...weekdays, at + 1].sort(),
              )
            }
          >
            {name}
          </Press>
        ))}
      </Flex>
      <Field label="Hours at the bench a day, for one unit">
        {(wiring) => (
          <TextInput
            {...wiring}
            width="120px"
            inputMode="decimal"
            value={hours}
            readOnly={!maySet}
            onChange={(event) => setHours(event.target.value)}
          />
        )}
      </Field>
      <Field label="Days on which it is closed" hint="One on each line, as 24 Dec 2026.">
        {(wiring) => (
          <TextArea
            {...wiring}
            rows={4}
            value={closed}
            readOnly={!maySet}
            onChange={(event) => setClosed(event.target.value)}
          />
        )}
      </Field>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {maySet && (
        <Press kind="main" onClick={() => void save()}>
          Keep these days
        </Press>
      )}
      <Box role="status" color="second" minHeight="22px">
        {told}
      </Box>
    </Box>
  );
}
