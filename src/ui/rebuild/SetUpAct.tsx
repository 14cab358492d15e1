'use client';

import { Box, Flex } from '@chakra-ui/react';
import { formatNumber } from '@/core/quantity/format';
import { exchanged, type Pack } from '@/core/rebuild/packs';
import type { SetUp } from '@/core/rebuild/setUp';
import type { HowToMove } from '@/core/rebuild/setUpMove';
import type { OfJob } from '../job/useBench';
import { Advice } from './Advice';
import { PackDrawing } from './PackDrawing';
import { ShimDrawer } from './ShimDrawer';

interface SetUpActProps extends OfJob {
  readonly setUp: SetUp;
  readonly how: HowToMove | undefined;
  readonly mayBuild: boolean;
}

const mm = (value: number): string => formatNumber(value, 2);

/** What to do next with a gear set: the move in one sentence, and the pieces or notches that make it. */
export function SetUpAct({ job, setUp, how, mayBuild }: SetUpActProps) {
  return (
    <Box marginTop="10px">
      <Advice setUp={setUp} told={how} />
      {how && (
        <Box bg="blue" color="onBlue" padding="0 16px 14px" marginTop="-10px" data-testid="how-to-move">
          {how.packs?.trouble && <Box color="brass">{how.packs.trouble}</Box>}
          {!how.adjusters && !how.packs && (
            <Box color="brass">
              Neither a stack nor the pitch and notches of its adjusters are described: turn until the dial
              shows it, and say with the next round what was moved.
            </Box>
          )}
          {how.adjusters && <ByNotches adjusters={how.adjusters} />}
          {how.packs && how.packs.trouble === '' && <ByPacks packs={how.packs.packs} />}
        </Box>
      )}
      {mayBuild && <ShimDrawer job={job} />}
    </Box>
  );
}

function ByPacks({ packs }: { readonly packs: readonly Pack[] }) {
  const sides = packs.filter(({ stack }) => stack.sets === 'backlash');
  const sum = (of: 'was' | 'becomes') => sides.reduce((all, pack) => all + pack[of], 0);
  return (
    <Box>
      <Flex gap="20px" wrap="wrap">
        {packs.map((pack) => (
          <OnePack key={pack.stack.id} pack={pack} />
        ))}
      </Flex>
      {sides.length > 1 && (
        <Box>
          {Math.abs(sum('was') - sum('becomes')) < 0.005
            ? `Together still ${mm(sum('was'))}, so the carrier’s preload stays.`
            : `Together ${mm(sum('becomes'))} instead of ${mm(sum('was'))}: the carrier’s preload changes, read it again.`}
        </Box>
      )}
      {sides.length === 1 && (
        <Box>One side alone changes the carrier’s preload too: read the turning torque again.</Box>
      )}
    </Box>
  );
}

function OnePack({ pack: { stack, before, after, was, becomes, target, toBuy } }: { readonly pack: Pack }) {
  const change = exchanged({ before, after });
  const said = (pieces: readonly number[]) => pieces.map(mm).join(' + ');
  return (
    <Box flex="1 1 240px" data-pack={stack.letter}>
      <Box fontWeight={650}>
        {stack.letter}:{' '}
        {change.out.length + change.in.length === 0
          ? 'it stays'
          : [
              change.out.length > 0 ? `${said(change.out)} out` : '',
              change.in.length > 0 ? `${said(change.in)} in` : '',
            ]
              .filter(Boolean)
              .join(', ')}
      </Box>
      <PackDrawing name={`Stack ${stack.letter}`} before={before} after={after} onBlue />
      <Box fontSize="20px" fontWeight={650}>
        {mm(was)} →{' '}
        <Box as="span" color="brass">
          {mm(becomes)}
        </Box>
      </Box>
      {toBuy !== undefined && (
        <Box color="brass">
          {mm(target)} is wanted, and nothing on hand makes it: buy or make {mm(toBuy)}, or see what the
          nearest would bring.
        </Box>
      )}
    </Box>
  );
}

function ByNotches({
  adjusters: { move, told },
}: {
  readonly adjusters: NonNullable<HowToMove['adjusters']>;
}) {
  const { notches, perNotch, moved } = move;
  if (notches === 0) return <Box>Less than half a notch ({mm(perNotch)} mm each): the adjusters stay.</Box>;
  const word = notches === 1 ? 'notch' : 'notches';
  return (
    <Box data-testid="by-notches">
      <Box as="ol" paddingLeft="20px" fontSize="18px" lineHeight="25px">
        {told.map(({ position, way }) => (
          <li key={position.id}>
            {position.name}: {notches} {word} {way}
            {way === 'out' ? ', and one more' : ''}
          </li>
        ))}
        <li>
          {told[0]!.position.name}: one notch in again, while the ring turns. A cup stays behind an adjuster
          that is only backed off.
        </li>
      </Box>
      <Box>
        {mm(Math.abs(moved))} mm together, {mm(perNotch)} mm a notch.
      </Box>
    </Box>
  );
}
