'use client';

import { Box, Flex, Grid } from '@chakra-ui/react';
import { useCallback, useMemo, useState } from 'react';
import type { Size } from '@/core/imaging/planes';
import type { Look } from '@/core/imaging/tiling';
import { Press } from '../kit/Press';
import { useSizeOf } from '../picture/lookedAt';
import { type LookedAt, PicturePane } from '../picture/PicturePane';
import { usePane } from '../picture/usePane';

interface LightTableProps {
  readonly pictures: readonly LookedAt[];
  readonly onTakeAway: (picture: LookedAt) => void;
}

/** How far one picture lies off the others: a place moved by so much, nearer by so much. */
interface Offset {
  readonly at: readonly [number, number];
  readonly near: number;
}
const NONE: Offset = { at: [0, 0], near: 1 };

/** Two to four pictures looked at in step: the same place and the same nearness in all, each set right alone where it needs it. */
export function LightTable({ pictures, onTakeAway }: LightTableProps) {
  const [look, setLook] = useState<Look>({ at: [0.5, 0.5], near: 1 });
  const [offsets, setOffsets] = useState<Readonly<Record<string, Offset>>>({});
  const [alone, setAlone] = useState<string>();
  const moved = useCallback(
    (id: string, next: Look) => {
      const own = offsets[id] ?? NONE;
      if (alone === id)
        setOffsets({
          ...offsets,
          [id]: {
            at: [next.at[0] - look.at[0], next.at[1] - look.at[1]],
            near: next.near / look.near,
          },
        });
      else setLook({ at: [next.at[0] - own.at[0], next.at[1] - own.at[1]], near: next.near / own.near });
    },
    [look, offsets, alone],
  );
  return (
    <Box data-testid="light-table">
      <Grid
        templateColumns={pictures.length === 3 ? 'repeat(3, 1fr)' : 'repeat(2, 1fr)'}
        gap="4px"
        height={{ base: '70vh', lg: 'calc(100dvh - 250px)' }}
        minHeight="420px"
      >
        {pictures.map((picture) => (
          <OnTable
            key={picture.id}
            picture={picture}
            look={withOffset(look, offsets[picture.id] ?? NONE)}
            onLook={(next) => moved(picture.id, next)}
            alone={alone === picture.id}
            onAlone={() => setAlone(alone === picture.id ? undefined : picture.id)}
            onTakeAway={() => onTakeAway(picture)}
          />
        ))}
      </Grid>
      <Flex gap="8px" marginTop="8px" wrap="wrap" align="center">
        <Press onClick={() => setLook({ ...look, near: Math.min(40, look.near * 1.4) })}>Nearer</Press>
        <Press onClick={() => setLook({ ...look, near: Math.max(0.8, look.near / 1.4) })}>Farther</Press>
        <Press onClick={() => setLook({ at: [0.5, 0.5], near: 1 })}>Whole</Press>
        <Press
          onClick={() => {
            setOffsets({});
            setAlone(undefined);
          }}
        >
          All in step again
        </Press>
        <Box color="second">
          Moved in one, moved in all. “Alone” sets one picture right beside the others.
        </Box>
      </Flex>
    </Box>
  );
}

const withOffset = ({ at, near }: Look, offset: Offset): Look => ({
  at: [at[0] + offset.at[0], at[1] + offset.at[1]],
  near: near * offset.near,
});

interface OnTableProps {
  readonly picture: LookedAt;
  readonly look: Look;
  readonly onLook: (look: Look) => void;
  readonly alone: boolean;
  readonly onAlone: () => void;
  readonly onTakeAway: () => void;
}

/** What still waits on this device lies on the table once its size was read from the file. */
function OnTable(props: OnTableProps) {
  const size = useSizeOf(props.picture);
  if (size === undefined || size === 'unreadable')
    return (
      <Box role="status">
        {size === undefined ? 'Reading the photograph …' : 'This browser can’t show this photograph yet.'}
      </Box>
    );
  return <SizedOnTable {...props} size={size} />;
}

function SizedOnTable({
  picture: looked,
  size: { width, height },
  ...props
}: OnTableProps & { readonly size: Size }) {
  const { look, onLook, alone, onAlone, onTakeAway } = props;
  const picture = useMemo(() => ({ ...looked, width, height }), [looked, width, height]);
  const { at, near } = look;
  // The same figures are the same look: a new object each time would set the picture back while it is moved.
  const [x, y] = at;
  const steady = useMemo<Look>(() => ({ at: [x, y], near }), [x, y, near]);
  const pane = usePane(picture, { look: steady, onLook });
  return (
    <Flex direction="column" minHeight="0" minWidth="0" data-on-table={picture.id}>
      <Box flex="1" minHeight="0">
        <PicturePane picture={picture} pane={pane} />
      </Box>
      <Flex align="center" gap="4px" fontSize="13px">
        <Box flex="1" minWidth="0" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
          {picture.caption}
        </Box>
        <Press kind={alone ? 'main' : 'quiet'} aria-pressed={alone} onClick={onAlone}>
          Alone
        </Press>
        <Press kind="quiet" onClick={onTakeAway}>
          Take away
        </Press>
      </Flex>
    </Flex>
  );
}
