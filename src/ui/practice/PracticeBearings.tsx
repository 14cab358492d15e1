import { Box } from '@chakra-ui/react';
import { PRACTICE } from '@/core/practice/practiceRun';
import type { BearingsRead } from '@/core/practice/practise';
import { formatNumber } from '@/core/quantity/format';
import { Instrument } from '../rebuild/Instrument';
import { Ratchet } from '../rebuild/Ratchet';
import { RulerOfMarks } from '../rebuild/RulerOfMarks';

const torque = (value: number) => formatNumber(value, 2);
const middle = ({ min, max }: { readonly min: number; readonly max: number }) => (min + max) / 2;

/** How hard pinion and carrier turn, each against its band. What is read before it was turned is told so, and called nothing. */
export function PracticeBearings({ read }: { readonly read: BearingsRead }) {
  const { pinion, carrier, breakAway, float, turned, nut, sleevesSpent } = read;
  const settled = turned >= PRACTICE.turns ? `after ${turned} turns` : 'not turned yet: it reads too high';
  const verdict = (value: number, band: { readonly min: number; readonly max: number }) => {
    if (turned < PRACTICE.turns) return 'Turn it first';
    if (value < band.min) return 'Too loose';
    return value > band.max ? 'Too tight' : 'Within';
  };
  return (
    <>
      <Instrument
        number={1}
        title="Pinion preload"
        note={`turning steadily, seal taken off, new bearings; ${settled}`}
        drawing={
          <>
            <RulerOfMarks
              {...{ name: 'Pinion', unit: 'N·m', decimals: 1, now: pinion, doubt: 2 * PRACTICE.torque }}
              band={PRACTICE.pinion}
              aim={middle(PRACTICE.pinion)}
            />
            {nut > 0 && <Ratchet now={pinion} max={PRACTICE.pinion.max} />}
          </>
        }
        bad={/^Too/.test(verdict(pinion, PRACTICE.pinion))}
        figure={torque(pinion)}
        verdict={verdict(pinion, PRACTICE.pinion)}
      >
        <Box fontSize="13px" color="second">
          {nut === 0
            ? 'On set-up drag: the sleeve is not crushed yet.'
            : `The nut stands ${formatNumber(nut, 1)}° on.`}
          {sleevesSpent > 0 && ` Sleeves spent: ${sleevesSpent}.`}
        </Box>
      </Instrument>
      <Instrument
        number={2}
        title="Carrier preload"
        note={`what it adds at the pinion; ${settled}`}
        drawing={
          <RulerOfMarks
            {...{ name: 'Carrier', unit: 'N·m', decimals: 1, now: carrier, doubt: 2 * PRACTICE.torque }}
            band={PRACTICE.carrier}
            aim={middle(PRACTICE.carrier)}
          />
        }
        bad={float > 0 || /^Too/.test(verdict(carrier, PRACTICE.carrier))}
        figure={float > 0 ? 'loose' : torque(carrier)}
        verdict={float > 0 ? 'It has float' : verdict(carrier, PRACTICE.carrier)}
      >
        <Box fontSize="13px" color="second">
          {float > 0 && `End float ${formatNumber(float, 3)} mm. `}
          All of it breaks away at {torque(breakAway)} N·m.
        </Box>
      </Instrument>
    </>
  );
}
