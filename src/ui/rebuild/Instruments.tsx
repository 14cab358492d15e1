import { Box, Flex } from '@chakra-ui/react';
import { studentCdf } from '@/core/metrology/distributions';
import { formatNumber } from '@/core/quantity/format';
import type { Shown } from './Advice';
import { BacklashRuler } from './BacklashRuler';
import { FlankDrawing } from './FlankDrawing';
import { Instrument } from './Instrument';

const mm = (value: number, decimals = 2) => formatNumber(value, decimals);

/** Backlash on its ruler, patches on their flanks. */
export function Instruments({ setUp }: { readonly setUp: Shown }) {
  const { band, means, rounds, advice, pattern } = setUp;
  const [first, last] = [rounds[0]!.content, rounds.at(-1)!.content];
  const after = advice?.predicted;
  const now = means.at(-1)!;
  const teeth = last.teeth.map(({ backlash }) => backlash);
  const isOut = now < band!.min || now > band!.max;
  return (
    <Box>
      <Instrument
        number={3}
        current={advice?.move !== undefined && advice.move.ring !== 0}
        title="Backlash"
        note={`mean of ${last.teeth.length} teeth at the heel; ${band!.source}`}
        drawing={<BacklashRuler setUp={setUp} />}
        figure={mm(now)}
        verdict={backlashWords(now, band!)}
        bad={isOut}
      >
        <Box>
          Tightest tooth {mm(Math.min(...teeth))}, variation {mm(Math.max(...teeth) - Math.min(...teeth))} of{' '}
          {mm(band!.variation)} mm.
          {after &&
            ` After the move ${mm(after.backlash.value)} ± ${mm(after.backlash.deviation, 3)}: ${inBand(after.backlash, band!)} in 100 that it lies in the band.`}
        </Box>
      </Instrument>
      <Instrument
        number={4}
        title="Pattern"
        note={`on the ring’s teeth, turned against a drag${setUp.isUsualPattern ? '; the aim is the usual one' : ''}`}
        drawing={
          <Flex gap="14px" wrap="wrap">
            {(['drive', 'coast'] as const).map((flank) => (
              <FlankDrawing
                key={flank}
                title={flank === 'drive' ? 'Drive' : 'Coast'}
                found={rounds.length > 1 ? first[flank] : undefined}
                now={last[flank]}
                after={after?.[flank]}
                aim={pattern}
              />
            ))}
          </Flex>
        }
        figure=""
        verdict={last.drive || last.coast ? 'The maker’s chart decides' : 'Not marked yet'}
      >
        {rounds.length > 1 && advice?.sensitivities && (
          <Box fontSize="13px" color="second">
            {hasShown(rounds) ? 'As this set has shown' : 'As is usual, not shown by this set yet'}, a share
            of the flank for each mm of depth: {advice.sensitivities.map(ownWords).join('; ')}.
          </Box>
        )}
      </Instrument>
    </Box>
  );
}

/** mm: a pinion that was moved by less has shown nothing of how its patches answer. */
const TELLING = 0.03;

const hasShown = (rounds: Shown['rounds']): boolean =>
  rounds.some(({ content: { moved } }) => Math.abs(moved?.depth ?? 0) >= TELLING);

const ownWords = ({
  flank,
  axis,
  perDepth,
}: NonNullable<NonNullable<Shown['advice']>['sensitivities']>[number]): string =>
  `${flank} ${axis === 'length' ? 'along' : 'up'} ${mm(perDepth.value, 1)} ± ${mm(perDepth.deviation, 1)}`;

function backlashWords(now: number, { min, max }: NonNullable<Shown['band']>): string {
  if (now > max) return 'Too wide';
  return now < min ? 'Too tight' : 'Mean within';
}

/** How often of a hundred a figure with this deviation lies in the band. */
function inBand(
  { value, deviation }: { readonly value: number; readonly deviation: number },
  { min, max }: NonNullable<Shown['band']>,
): number {
  const below = (limit: number) => studentCdf((limit - value) / deviation, null);
  return Math.min(99, Math.max(1, Math.round((below(max) - below(min)) * 100)));
}
