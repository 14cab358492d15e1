'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { convert } from '@/core/quantity/units';
import { UNIT_SYMBOL, type Unit } from '@/model/units';
import { KeyCap } from '../frame/KeysHelp';
import { Press } from '../kit/Press';
import { paint } from '../kit/paint';
import { send } from '../kit/send';
import { useBenchGauge } from './useBenchGauge';

interface BenchGaugeProps {
  readonly place: { readonly index: number; readonly count: number };
  /** As printed on the pad; the gauge's own display follows it. */
  readonly unit: Unit;
  readonly onSend: (figures: string) => void;
}

/** A dial that goes once round in half a millimetre. */
const ROUND_MM = 0.5;
const STEADY_MM = 0.003;

/** The bench gauge stand-in: a dial with the streamed value, its zero key, and the button that sends the value to the pad. */
export function BenchGauge({ place, unit, onSend }: BenchGaugeProps) {
  const values = useBenchGauge(place);
  const value = values.at(-1);
  const steady = values.length >= 3 && Math.max(...values) - Math.min(...values) <= STEADY_MM;
  const shown =
    value === undefined
      ? undefined
      : convert(value, 'mm', unit).toFixed(unit === 'in' ? 5 : unit === 'um' ? 0 : unit === 'thou' ? 2 : 3);
  useEffect(() => tinykeys(window, { 'Alt+g': () => shown !== undefined && onSend(shown) }), [shown, onSend]);
  return (
    <Flex align="center" gap="12px" marginTop="8px" data-testid="bench-gauge">
      <Dial turn={((value ?? 0) % ROUND_MM) / ROUND_MM} />
      <Box flex="1">
        <Box fontSize="20px" fontWeight={650} aria-live="off">
          {shown === undefined ? 'waiting for the gauge' : `${shown} ${UNIT_SYMBOL[unit]}`}
        </Box>
        <Box fontSize="13px" color="second">
          {steady ? 'steady' : 'moving'} · simulated, for trying out
        </Box>
      </Box>
      <Press onClick={() => void send('POST', '/api/v1/bench-gauge/zero', place)}>Zero</Press>
      <Press
        size="bench"
        kind="main"
        disabled={shown === undefined}
        onClick={() => shown !== undefined && onSend(shown)}
      >
        Send <KeyCap>Alt G</KeyCap>
      </Press>
    </Flex>
  );
}

function Dial({ turn }: { readonly turn: number }) {
  const angle = turn * 2 * Math.PI;
  return (
    <svg width="84" height="84" viewBox="0 0 84 84" aria-hidden="true" style={{ flexShrink: 0 }}>
      <circle cx="42" cy="42" r="40" fill={paint('field')} stroke={paint('ink')} strokeWidth="2" />
      {Array.from({ length: 50 }, (_, index) => {
        const at = (index / 50) * 2 * Math.PI;
        const inner = index % 5 === 0 ? 31 : 35;
        return (
          <line
            key={index}
            x1={42 + inner * Math.sin(at)}
            y1={42 - inner * Math.cos(at)}
            x2={42 + 38 * Math.sin(at)}
            y2={42 - 38 * Math.cos(at)}
            stroke={paint('ink')}
            strokeWidth={index % 5 === 0 ? 1.4 : 0.7}
          />
        );
      })}
      <line
        x1={42 - 9 * Math.sin(angle)}
        y1={42 + 9 * Math.cos(angle)}
        x2={42 + 32 * Math.sin(angle)}
        y2={42 - 32 * Math.cos(angle)}
        stroke={paint('metal')}
        strokeWidth="2.4"
      />
      <circle cx="42" cy="42" r="4" fill={paint('metal')} />
    </svg>
  );
}
