'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import type { Quad } from '@/core/imaging/raster';
import { Press } from '../kit/Press';

/** What a finger on the picture does just now, beside moving it. */
export const HANDS = {
  lasso: 'Draw round it',
  colour: 'Pick the compound',
  add: 'Brush: add',
  clear: 'Brush: take away',
} as const;
export type Hand = keyof typeof HANDS;

interface HandKeyProps {
  readonly own: Hand;
  readonly hand: Hand | undefined;
  readonly onHand: (hand: Hand | undefined) => void;
}

function HandKey({ own, hand, onHand }: HandKeyProps) {
  return (
    <Press
      chosen={hand === own}
      aria-pressed={hand === own}
      onClick={() => onHand(hand === own ? undefined : own)}
    >
      {HANDS[own]}
    </Press>
  );
}

interface RegionKeysProps extends Omit<HandKeyProps, 'own'> {
  readonly pits: boolean;
  readonly outlined: boolean;
  readonly compound: string | undefined;
  readonly busy: boolean;
  readonly onPropose: () => void;
  readonly onCorners: (turn: (corners: Quad) => Quad) => void;
  readonly onForgetOutline: () => void;
  readonly onForgetCompound: () => void;
}

/** How a region is set: round pits by corners or a line, on a flank by corners that the program proposes and a hand turns. */
export function RegionKeys({ pits, hand, onHand, ...rest }: RegionKeysProps) {
  const { outlined, compound, busy, onPropose, onCorners, onForgetOutline, onForgetCompound } = rest;
  if (pits)
    return (
      <Flex gap="4px" wrap="wrap" marginBottom="8px">
        <HandKey own="lasso" hand={hand} onHand={onHand} />
        {outlined && <Press onClick={onForgetOutline}>Corners instead</Press>}
      </Flex>
    );
  return (
    <Flex gap="4px" wrap="wrap" marginBottom="8px">
      <Press disabled={busy} onClick={onPropose}>
        Propose corners
      </Press>
      <Press aria-label="Turn the corners by one" onClick={() => onCorners(([a, b, c, d]) => [b, c, d, a])}>
        Turn
      </Press>
      <Press
        aria-label="Toe and heel the other way round"
        onClick={() => onCorners(([a, b, c, d]) => [b, a, d, c])}
      >
        Toe ↔ heel
      </Press>
      <HandKey own="colour" hand={hand} onHand={onHand} />
      {compound && (
        <Press onClick={onForgetCompound}>
          <Box as="span" width="18px" height="18px" border="1px solid" style={{ background: compound }} />
          let it be found
        </Press>
      )}
    </Flex>
  );
}

interface BrushKeysProps extends Omit<HandKeyProps, 'own'> {
  /** As a share of the flank's length. */
  readonly width: number;
  readonly onWidth: (width: number) => void;
}

/** The brush that corrects what the program took. */
export function BrushKeys({ hand, onHand, width, onWidth }: BrushKeysProps) {
  return (
    <Flex gap="4px" wrap="wrap" align="center" marginBottom="8px">
      <HandKey own="add" hand={hand} onHand={onHand} />
      <HandKey own="clear" hand={hand} onHand={onHand} />
      <chakra.label fontSize="13px" display="flex" alignItems="center" gap="4px">
        width
        <input
          type="range"
          min={0.005}
          max={0.08}
          step={0.005}
          value={width}
          onChange={(event) => onWidth(Number(event.target.value))}
        />
      </chakra.label>
    </Flex>
  );
}
