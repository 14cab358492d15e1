'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { Press } from '../kit/Press';
import type { Region, RegionSet } from './useRegion';

/** What a finger on the picture does just now, beside moving it. */
export const HANDS = {
  lasso: 'Draw round it',
  colour: 'Pick the compound',
  sound: 'Tap a sound surface',
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
  readonly region: Region;
  readonly busy: boolean;
  readonly onPropose: () => void;
  readonly onChange: (change: Partial<RegionSet>) => void;
}

/** How a region is set: round pits by corners or a line, on a flank by corners that the program proposes and a hand turns. */
export function RegionKeys({ region, hand, onHand, busy, onPropose, onChange }: RegionKeysProps) {
  const [a, b, c, d] = region.corners;
  if (region.pits)
    return (
      <Flex gap="4px" wrap="wrap" marginBottom="8px">
        <HandKey own="lasso" hand={hand} onHand={onHand} />
        {region.outline && <Press onClick={() => onChange({ outline: null })}>Corners instead</Press>}
        <HandKey own="sound" hand={hand} onHand={onHand} />
        {region.sound && (
          <Press onClick={() => onChange({ sound: undefined })}>Without the sound surface</Press>
        )}
      </Flex>
    );
  return (
    <Flex gap="4px" wrap="wrap" marginBottom="8px">
      <Press disabled={busy} onClick={onPropose}>
        Propose corners
      </Press>
      <Press aria-label="Turn the corners by one" onClick={() => onChange({ corners: [b, c, d, a] })}>
        Turn
      </Press>
      <Press
        aria-label="Toe and heel the other way round"
        onClick={() => onChange({ corners: [b, a, d, c] })}
      >
        Toe ↔ heel
      </Press>
      <HandKey own="colour" hand={hand} onHand={onHand} />
      {region.compound && (
        <Press onClick={() => onChange({ compound: null })}>
          <Box
            as="span"
            width="18px"
            height="18px"
            border="1px solid"
            style={{ background: region.compound }}
          />
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
  /** Takes the last stroke back, where there is one. */
  readonly onUndo?: () => void;
}

/** The brush that corrects what the program took. */
export function BrushKeys({ hand, onHand, width, onWidth, onUndo }: BrushKeysProps) {
  return (
    <Flex gap="4px" wrap="wrap" align="center" marginBottom="8px">
      <HandKey own="add" hand={hand} onHand={onHand} />
      <HandKey own="clear" hand={hand} onHand={onHand} />
      <chakra.label fontSize="13px" display="flex" alignItems="center" gap="4px">
        width
        <chakra.input
          accentColor="bar"
          type="range"
          min={0.005}
          max={0.08}
          step={0.005}
          value={width}
          onChange={(event) => onWidth(Number(event.target.value))}
        />
      </chakra.label>
      {onUndo && <Press onClick={onUndo}>Take the last stroke back</Press>}
    </Flex>
  );
}
