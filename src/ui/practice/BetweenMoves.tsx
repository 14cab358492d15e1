import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { PRACTICE } from '@/core/practice/practiceRun';
import { formatNumber } from '@/core/quantity/format';
import { parseReading } from '@/core/quantity/parseReading';
import { TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import type { Practice } from './usePractice';

/** Degrees: more at one pull nobody gives a crush sleeve. */
const MOST_DEGREES = 90;

/** What is done between two moves, none of it a round: caps, turning, the nut, and reading again where one doubts. */
export function BetweenMoves({ practice: { rounds, act, next } }: { readonly practice: Practice }) {
  const { teeth, bearings, looks } = rounds.at(-1)!;
  const [degrees, setDegrees] = useState('');
  const [trouble, setTrouble] = useState('');
  const told = next?.told && 'act' in next.told ? next.told.act : undefined;
  const tighten = () => {
    const parsed = parseReading(degrees);
    if (!parsed.ok || parsed.value > MOST_DEGREES)
      return setTrouble(`“${degrees}” is no pull at the nut: up to ${MOST_DEGREES}°.`);
    if (parsed.value <= 0)
      return setTrouble('A crushed sleeve only ever goes tighter. Backed off, the nut holds nothing.');
    setTrouble('');
    setDegrees('');
    act({ what: 'nut', degrees: parsed.value });
  };
  return (
    <Box marginTop="14px">
      <Box fontSize="13px" color="second">
        Between the moves; none of it is a round.
      </Box>
      <Flex gap="6px" wrap="wrap" align="center">
        <Press
          kind={told?.what === 'caps' ? 'main' : 'plain'}
          disabled={bearings.areCapsTorqued}
          onClick={() => act({ what: 'caps' })}
        >
          {bearings.areCapsTorqued ? 'The caps are torqued' : 'Torque the caps'}
        </Press>
        <Press kind={told?.what === 'turn' ? 'main' : 'plain'} onClick={() => act({ what: 'turn' })}>
          Turn it {PRACTICE.turns} times
        </Press>
        <Press kind={told?.what === 'paint' ? 'main' : 'plain'} onClick={() => act({ what: 'paint' })}>
          Look at the paint again{looks > 1 ? ` (${looks} looks)` : ''}
        </Press>
        <TextInput
          aria-label="Tighten the nut by, degrees"
          placeholder="nut, °"
          inputMode="decimal"
          width="90px"
          value={degrees}
          onChange={(event) => setDegrees(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') tighten();
          }}
        />
        <Press kind={told?.what === 'nut' ? 'main' : 'plain'} onClick={tighten}>
          Tighten the nut
        </Press>
        <Press
          kind={told?.what === 'sleeve' ? 'main' : 'plain'}
          disabled={bearings.nut === 0}
          onClick={() => act({ what: 'sleeve' })}
        >
          A new sleeve
        </Press>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="4px" wrap="wrap" role="group" aria-label="Read a tooth again" marginTop="6px">
        {teeth.map(({ tooth, backlash }) => (
          <Press
            key={tooth}
            kind={told?.what === 'tooth' && told.tooth === tooth ? 'main' : 'plain'}
            paddingInline="10px"
            aria-label={`Tooth ${tooth + 1}, ${formatNumber(backlash, 3)} mm, read again`}
            onClick={() => act({ what: 'tooth', tooth })}
          >
            {tooth + 1}: {formatNumber(backlash, 3)}
          </Press>
        ))}
      </Flex>
    </Box>
  );
}
