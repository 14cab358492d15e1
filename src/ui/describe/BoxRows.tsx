'use client';

import { Box, Flex } from '@chakra-ui/react';
import type { KeyboardEvent, ReactNode } from 'react';
import type { Position } from '@/model/unitType';
import { Select, TextInput } from '../kit/Field';
import type { BoxParts, BoxText } from './boxText';

interface Typing {
  readonly text: BoxText;
  readonly set: (name: string, value: string) => void;
}
interface OfBox extends Typing {
  readonly parts: BoxParts;
}
interface FieldProps extends Typing {
  /** `part field`, or the field alone where it is the box's own. */
  readonly name: string;
  readonly of?: Position;
  readonly label: string;
  readonly width?: number;
}

const FIELD = '[data-box-field]';

/** Enter goes on to the next field, so that a row of figures is typed without a look at the screen. */
export function goOnAtEnter(event: KeyboardEvent<HTMLElement>): void {
  const here = (event.target as HTMLElement).closest<HTMLElement>(FIELD);
  if (event.key !== 'Enter' || !here) return;
  event.preventDefault();
  const fields = [...event.currentTarget.querySelectorAll<HTMLElement>(FIELD)];
  const next = fields[fields.indexOf(here) + 1];
  next?.focus();
  if (next instanceof HTMLInputElement) next.select();
}

const called = (of: Position | undefined, label: string) => (of ? `${of.name}, ${label}` : label);

function Figure({
  text,
  set,
  name,
  of,
  label,
  width = 92,
  words = false,
}: FieldProps & { readonly words?: boolean }) {
  return (
    <Box as="label" flex={`0 1 ${width}px`} fontSize="13px" lineHeight="16px">
      {label}
      <TextInput
        data-box-field={name}
        aria-label={called(of, label)}
        inputMode={words ? 'text' : 'decimal'}
        autoComplete="off"
        value={text[name] ?? ''}
        onChange={(event) => set(name, event.target.value)}
      />
    </Box>
  );
}

interface ChoiceProps extends FieldProps {
  readonly among: readonly { readonly id: string; readonly name: string }[];
  readonly none?: string;
}

function Choice({ text, set, name, of, label, among, width = 150, none = '–' }: ChoiceProps) {
  return (
    <Box as="label" flex={`1 1 ${width}px`} maxWidth={`${width * 1.5}px`} fontSize="13px" lineHeight="16px">
      {label}
      <Select
        data-box-field={name}
        aria-label={called(of, label)}
        value={text[name] ?? ''}
        onChange={(event) => set(name, event.target.value)}
      >
        <option value="">{none}</option>
        {among.map(({ id, name: words }) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </Select>
    </Box>
  );
}

function Row({ of, children }: { readonly of: Position; readonly children: ReactNode }) {
  return (
    <Flex
      role="group"
      aria-label={of.name}
      data-box-row={of.id}
      gap="8px"
      wrap="wrap"
      align="flex-end"
      borderTop="1px solid"
      borderColor="rule"
      paddingY="8px"
    >
      <Box flex="1 0 100%" fontWeight={650} fontSize="15px">
        {of.name}
        {of.orientation && (
          <Box as="span" fontWeight={400} fontSize="13px" color="second" marginLeft="8px">
            {of.orientation}
          </Box>
        )}
      </Box>
      {children}
    </Flex>
  );
}

const LIES = [
  { id: 'in line', name: 'in line with another' },
  { id: 'across', name: 'across another' },
];

export function ShaftRows({ text, set, parts }: OfBox) {
  return parts.shafts.map((shaft) => {
    const of = { text, set, of: shaft };
    const lies = text[`${shaft.id} lies`] ?? '';
    const others = parts.shafts.filter(({ id }) => id !== shaft.id);
    return (
      <Row key={shaft.id} of={shaft}>
        <Figure {...of} name={`${shaft.id} length`} label="length, mm" />
        <Figure {...of} name={`${shaft.id} diameter`} label="diameter, mm" />
        {others.length > 0 && (
          <Choice
            {...of}
            {...{ name: `${shaft.id} lies`, label: 'lies', among: LIES, none: 'beside, by its gears' }}
          />
        )}
        {lies !== '' && (
          <>
            <Choice
              {...of}
              name={`${shaft.id} with`}
              label={lies === 'across' ? 'across' : 'in line with'}
              among={others}
            />
            {lies === 'across' && (
              <Figure
                {...of}
                name={`${shaft.id} at`}
                label="axes cross, from the other’s left end"
                width={150}
              />
            )}
            <Figure
              {...of}
              name={`${shaft.id} start`}
              label={lies === 'across' ? 'begins, from the crossing' : 'begins, from the other’s left end'}
              width={150}
            />
            {lies === 'in line' && (
              <Figure {...of} words name={`${shaft.id} tiedIn`} label="tied to it in gear" width={110} />
            )}
          </>
        )}
      </Row>
    );
  });
}

export function GearRows({ text, set, parts }: OfBox) {
  return parts.gears.map((gear) => {
    const of = { text, set, of: gear };
    return (
      <Row key={gear.id} of={gear}>
        <Choice {...of} name={`${gear.id} shaft`} label="on" among={parts.shafts} width={90} />
        <Figure {...of} name={`${gear.id} place`} label="from its end" width={76} />
        <Figure {...of} name={`${gear.id} width`} label="width" width={62} />
        <Figure {...of} name={`${gear.id} teeth`} label="teeth" width={60} />
        <Figure {...of} name={`${gear.id} outside`} label="outside ø" width={72} />
        <Choice
          {...of}
          {...{ name: `${gear.id} mate`, label: 'meets', width: 90 }}
          among={parts.gears.filter(({ id }) => id !== gear.id)}
        />
        <Figure {...of} words name={`${gear.id} tiedIn`} label="free but in gear" width={98} />
      </Row>
    );
  });
}

export function RingRows({ text, set, parts }: OfBox) {
  return parts.rings.map((ring) => {
    const of = { text, set, of: ring };
    return (
      <Row key={ring.id} of={ring}>
        <Choice {...of} name={`${ring.id} shaft`} label="on" among={parts.shafts} width={110} />
        <Figure {...of} name={`${ring.id} place`} label="from its end" />
        <Figure {...of} name={`${ring.id} inner`} label="inside ø" width={80} />
        <Figure {...of} name={`${ring.id} outer`} label="outside ø" width={80} />
        <Figure {...of} name={`${ring.id} width`} label="width" width={72} />
      </Row>
    );
  });
}

export function WholeRow({ text, set, parts }: OfBox) {
  return (
    <Flex gap="8px" wrap="wrap" align="flex-end" paddingY="8px">
      <Figure {...{ text, set }} name="module" label="module, where nothing tells it" width={190} />
      <Choice {...{ text, set }} name="input" label="power comes in by" among={parts.shafts} />
      <Choice {...{ text, set }} name="output" label="power leaves by" among={parts.shafts} />
    </Flex>
  );
}
