'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useCallback, useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import type { StandIn } from '@/model/standIn';
import { UNIT_SYMBOL, type Unit } from '@/model/units';
import { KeyCap } from '../frame/KeysHelp';
import { Press } from '../kit/Press';
import { paint } from '../kit/paint';
import { send } from '../kit/send';
import { type Touch, useBenchGauge } from './useBenchGauge';

interface BenchGaugeProps {
  readonly touch: Touch;
  readonly onSend: (figures: string, unit: Unit) => void;
}

/** A dial that goes once round in half a millimetre. */
const ROUND_MM = 0.5;
const STEADY_MM: Record<StandIn, number> = { indicator: 0.003, caliper: 0.03 };

/** A bench gauge stand-in: its display with the streamed value, its zero and unit keys, and the button that sends. */
export function BenchGauge({ touch, onSend }: BenchGaugeProps) {
  const values = useBenchGauge(touch);
  const newest = values.at(-1);
  const sizes = values.map(({ value }) => value);
  const steady = values.length >= 3 && Math.max(...sizes) - Math.min(...sizes) <= STEADY_MM[touch.gauge];
  const sendShown = useCallback(() => newest && onSend(newest.shown, newest.unit), [newest, onSend]);
  useEffect(() => tinykeys(window, { 'Alt+g': () => void sendShown() }), [sendShown]);
  return (
    <Flex align="center" gap="8px" marginTop="8px" data-testid="bench-gauge" wrap="wrap">
      {touch.gauge === 'indicator' && <Dial turn={((newest?.value ?? 0) % ROUND_MM) / ROUND_MM} />}
      <Box flex="1" minWidth="120px">
        <Box fontSize="20px" fontWeight={650} aria-live="off">
          {newest === undefined ? 'waiting for the gauge' : `${newest.shown} ${UNIT_SYMBOL[newest.unit]}`}
        </Box>
        <Box fontSize="13px" color="second">
          {steady ? 'steady' : 'moving'} · simulated, for trying out
        </Box>
      </Box>
      <Press onClick={() => void send('POST', '/api/v1/bench-gauge/zero', touch)}>Zero</Press>
      <Press onClick={() => void send('POST', '/api/v1/bench-gauge/unit', touch)}>mm / in</Press>
      <Press size="bench" kind="main" disabled={newest === undefined} onClick={() => sendShown()}>
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
