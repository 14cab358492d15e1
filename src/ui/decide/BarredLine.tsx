'use client';

import { Box, Flex } from '@chakra-ui/react';
import type { Compared } from '@/core/planning/fits';
import type { JobPlan } from '@/core/planning/jobPlans';
import { tellMoney } from '@/core/planning/money';
import type { Money } from '@/model/money';
import { paint } from '../kit/paint';

type Barred = NonNullable<JobPlan['barred']>;

/** What would be cheaper and can't be ordered: counted beside offered. */
export function BarredLines({ barred, money }: { readonly barred: Barred; readonly money: Money }) {
  return (
    <Box border="1.5px solid" borderColor="oxide" padding="6px 8px" margin="4px 0" data-testid="barred">
      <Box fontSize="15px" color="oxide">
        {tellMoney(barred.total, money)} of parts would be cheaper, but can’t be ordered:
      </Box>
      {barred.lines.map(({ offer, why, compared }) => {
        const teeth = compared.filter(({ key }) => key === 'pinion-teeth' || key === 'ring-teeth');
        const [pinion, ring] = [
          teeth.find(({ key }) => key === 'pinion-teeth'),
          teeth.find(({ key }) => key === 'ring-teeth'),
        ];
        return (
          <Flex key={offer.id} gap="12px" align="center" wrap="wrap" marginTop="4px">
            <Mismatch compared={compared} />
            <Box fontSize="15px" flex="1 1 200px">
              <strong>{offer.name}</strong>, {offer.supplier}, {offer.code}: {why}.
              {pinion?.counted !== undefined && ring?.counted !== undefined && (
                <Box fontSize="13px" color="second">
                  Ratio {(ring.offered / pinion.offered).toFixed(3)} for{' '}
                  {(ring.counted / pinion.counted).toFixed(3)}. Both drawn unrolled over one turn of the
                  pinion: counted above, offered below.
                </Box>
              )}
            </Box>
          </Flex>
        );
      })}
    </Box>
  );
}

/** How it differs, drawn: teeth unrolled over one turn, sizes as circles, hands as arrows; the counted one in ink, the offered one in red. */
function Mismatch({ compared }: { readonly compared: readonly Compared[] }) {
  const wrong = compared.filter(({ differs }) => differs);
  const of = (...keys: readonly string[]) => wrong.find(({ key }) => keys.includes(key));
  const teeth = of('pinion-teeth', 'ring-teeth', 'splines');
  const size = of('bore', 'outer', 'width', 'ring-thickness');
  if (teeth?.counted !== undefined) return <Racks counted={teeth.counted} offered={teeth.offered} />;
  if (size?.counted !== undefined) return <Circles counted={size.counted} offered={size.offered} />;
  const hand = of('hand');
  return hand?.counted === undefined ? null : <Hands counted={hand.counted} offered={hand.offered} />;
}

interface TwoProps {
  readonly counted: number;
  readonly offered: number;
}

const ROUND = 72;
/** A difference of sizes is drawn so many times as large as it is, up to a limit. */
const LARGER = 20;
const AT_MOST = 0.4;

/** Two circles of their diameters: measured in ink, offered dashed. */
function Circles({ counted, offered }: TwoProps) {
  const difference = LARGER * (offered / counted - 1);
  const shown = 1 + Math.sign(difference) * Math.min(AT_MOST, Math.abs(difference));
  const r = ROUND / 3.2;
  return (
    <svg width={ROUND} height={ROUND} role="img" aria-label={`measured ${counted} mm, offered ${offered} mm`}>
      <circle cx={ROUND / 2} cy={ROUND / 2} r={r} fill="none" stroke={paint('ink')} strokeWidth={2.5} />
      <circle
        cx={ROUND / 2}
        cy={ROUND / 2}
        r={r * shown}
        fill="none"
        stroke={paint('oxide')}
        strokeWidth={2}
        strokeDasharray="5 3"
      />
    </svg>
  );
}

const handName = (hand: number): string => (hand > 0 ? 'right' : 'left');

/** Two arrows, each the way that its helix climbs. */
function Hands({ counted, offered }: TwoProps) {
  const arrow = (hand: number, x: number) =>
    hand > 0 ? `M${x} 58L${x + 40} 14m-13 2l13 -2l-3 13` : `M${x + 40} 58L${x} 14m13 2l-13 -2l3 13`;
  return (
    <svg
      width={2 * ROUND}
      height={ROUND}
      role="img"
      aria-label={`counted ${handName(counted)} hand, offered ${handName(offered)} hand`}
    >
      <path d={arrow(counted, 14)} fill="none" stroke={paint('ink')} strokeWidth={3} />
      <path d={arrow(offered, 86)} fill="none" stroke={paint('oxide')} strokeWidth={3} />
    </svg>
  );
}

const WIDE = 220;
const TALL = 14;

/** Two racks, one turn of the pinion unrolled: where the teeth run into each other it is filled. */
function Racks({ counted, offered }: TwoProps) {
  return (
    <svg width={WIDE} height={3 * TALL + 4} aria-label={`counted ${counted}, offered ${offered}`} role="img">
      <path d={rack(counted, 0, 1)} fill={paint('metal')} />
      <path
        d={rack(offered, 3 * TALL + 4, -1)}
        fill={counted === offered ? 'none' : paint('oxide')}
        fillOpacity={0.35}
        stroke={paint('oxide')}
        strokeWidth={1.5}
      />
    </svg>
  );
}

/** Teeth that hang from above (1) or stand up from below (−1), as many as there are on one turn. */
function rack(teeth: number, from: number, toward: 1 | -1): string {
  const pitch = WIDE / teeth;
  const [root, tip] = [from + toward * 6, from + toward * (6 + TALL * 1.7)];
  const path = Array.from({ length: teeth }, (_, at) => {
    const x = at * pitch + (toward > 0 ? 0 : pitch / 2);
    return `L${x} ${root}L${x + pitch * 0.18} ${tip}L${x + pitch * 0.42} ${tip}L${x + pitch * 0.6} ${root}`;
  });
  return `M0 ${from}L0 ${root}${path.join('')}L${WIDE} ${root}L${WIDE} ${from}Z`;
}
