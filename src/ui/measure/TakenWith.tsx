'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { suitsCheck } from '@/core/metrology/gaugesFor';
import type { Check } from '@/model/checks';
import type { Gauge } from '@/model/snapshot';
import { UNIT_SYMBOL } from '@/model/units';
import { Select, TextInput } from '../kit/Field';

/** Of the choice that is none of the check's own words. */
const OTHERWISE = '…';

interface TakenWithProps {
  readonly check: Check;
  readonly gauges: readonly Gauge[];
  readonly gauge: Gauge;
  readonly onGauge: (id: string) => void;
  /** How the part is held; empty where nobody says it. */
  readonly held: string;
  readonly onHeld: (held: string) => void;
}

/** With what the figure beside it is read, and how the part is held: both change what it means, so both stand in sight. */
export function TakenWith({ check, gauges, gauge, onGauge, held, onHeld }: TakenWithProps) {
  const suits = suitsCheck(gauge, check);
  const [otherwise, setOtherwise] = useState(false);
  const ways = ['', ...(check.holdings ?? [])];
  return (
    <Box marginTop="6px" fontSize="13px">
      <Flex align="center" gap="6px">
        <Select
          aria-label="Gauge"
          flex="3 1 0"
          minWidth="0"
          value={gauge.id}
          onChange={(event) => onGauge(event.target.value)}
        >
          {gauges.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}, reads to {each.resolution} {UNIT_SYMBOL[each.unit]}
              {suitsCheck(each, check) ? '' : ', of another kind'}
            </option>
          ))}
        </Select>
        <Select
          aria-label="How the part is held"
          flex="2 1 0"
          minWidth="0"
          value={ways.includes(held) ? held : OTHERWISE}
          onChange={({ target: { value } }) => {
            setOtherwise(value === OTHERWISE);
            onHeld(value === OTHERWISE ? '' : value);
          }}
        >
          {ways.map((way) => (
            <option key={way} value={way}>
              {way === '' ? 'held: not said' : way}
            </option>
          ))}
          <option value={OTHERWISE}>held in another way …</option>
        </Select>
      </Flex>
      {(otherwise || !ways.includes(held)) && (
        <TextInput
          aria-label="Held in another way"
          placeholder="how it is held"
          autoFocus={held === ''}
          value={held}
          maxLength={60}
          marginTop="6px"
          onChange={(event) => onHeld(event.target.value)}
        />
      )}
      {!suits && (
        <Box color="oxide" role="note" data-testid="other-gauge" marginTop="4px">
          This check asks for {(check.gaugeKinds ?? []).join(' or ')}. With {gauge.name} the verdict may be
          another.
        </Box>
      )}
    </Box>
  );
}
