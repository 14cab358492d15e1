'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { CalendarDays } from 'lucide-react';
import { useRef, useState } from 'react';
import { readDay } from '@/core/time/readDay';
import { longDate } from './dates';
import { Field, type FieldProps, TextInput } from './Field';
import { Press } from './Press';

interface DateInputProps {
  readonly id?: string;
  readonly 'aria-describedby'?: string | undefined;
  readonly 'aria-invalid'?: boolean | undefined;
  readonly 'aria-label'?: string;
  /** 2026-11-24, empty, or words that were no day. */
  readonly value: string;
  /** The day as 2026-11-24; what is no day goes out as it was typed, to be refused in words. */
  readonly onDay: (day: string) => void;
  readonly onDone?: () => void;
  readonly readOnly?: boolean;
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const shown = (value: string): string => (DAY.test(value) ? longDate(value) : value);
const todayHere = (): string => new Date().toISOString().slice(0, 10);

/** A day written as everywhere else (24 Nov 2026), typed as people write it or picked from the browser’s calendar. */
export function DateInput({ value, onDay, onDone, readOnly = false, ...wiring }: DateInputProps) {
  const [typed, setTyped] = useState<string>();
  const picker = useRef<HTMLInputElement>(null);
  return (
    <Flex position="relative">
      <TextInput
        {...wiring}
        value={typed ?? shown(value)}
        readOnly={readOnly}
        autoComplete="off"
        placeholder="24 Nov 2026"
        onChange={(event) => {
          setTyped(event.target.value);
          onDay(readDay(event.target.value, todayHere()) ?? event.target.value);
        }}
        onBlur={() => {
          setTyped(undefined);
          onDone?.();
        }}
      />
      {!readOnly && (
        <>
          <Press
            aria-label="Calendar"
            paddingInline="10px"
            borderLeft="none"
            borderWidth="2px"
            borderRadius="0"
            onClick={() => picker.current?.showPicker?.()}
          >
            <CalendarDays size={18} aria-hidden />
          </Press>
          <Box
            position="absolute"
            right="0"
            bottom="0"
            width="1px"
            height="1px"
            overflow="hidden"
            aria-hidden="true"
          >
            <chakra.input
              ref={picker}
              type="date"
              tabIndex={-1}
              value={DAY.test(value) ? value : ''}
              onChange={(event) => onDay(event.target.value)}
            />
          </Box>
        </>
      )}
    </Flex>
  );
}

/** A labelled day that its owner holds. */
export function DateField({
  value,
  onDay,
  ...field
}: Omit<FieldProps, 'children'> & Pick<DateInputProps, 'value' | 'onDay'>) {
  return <Field {...field}>{(wiring) => <DateInput {...wiring} value={value} onDay={onDay} />}</Field>;
}
