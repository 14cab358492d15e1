'use client';

import { Box, chakra } from '@chakra-ui/react';
import { memo, type ReactNode, useMemo } from 'react';
import { TILE, type Tile, tilesSeen } from '@/core/imaging/tiling';
import { useWaitingPicture } from '../job/useWaitingPicture';
import type { Pane } from './usePane';

/** A picture to look at: one of this job, one that still waits on the device, or one of another unit. */
export interface LookedAt {
  readonly jobId: string;
  readonly id: string;
  readonly fileName: string;
  readonly width: number;
  readonly height: number;
  readonly caption: string;
  readonly waiting?: Blob;
}

interface PicturePaneProps {
  readonly picture: LookedAt;
  readonly pane: Pane;
  /** Drawn over the picture, in its own pixels; `scale` is the screen's pixels for one of them. */
  readonly children?: ReactNode;
  readonly drawing?: boolean;
  readonly label?: string;
}

/** The picture in its pane: small at once, sharp where one looks, with what is drawn over it. */
export function PicturePane({ picture, pane, children, drawing = false, label }: PicturePaneProps) {
  const { view, size } = pane;
  const { width, height } = picture;
  return (
    <Box
      ref={pane.ref}
      position="relative"
      overflow="hidden"
      width="100%"
      height="100%"
      bg="#13252C"
      touchAction="none"
      cursor={drawing ? 'crosshair' : 'grab'}
      tabIndex={0}
      role="group"
      aria-label={label ?? `${picture.fileName}: drag, wheel, plus, minus and arrows move it`}
      data-testid="pane"
      onKeyDown={(event) => {
        if (event.target === event.currentTarget && pane.press(event.key)) event.preventDefault();
      }}
    >
      <Box
        position="absolute"
        top="0"
        left="0"
        transformOrigin="0 0"
        willChange="transform"
        style={{
          width,
          height,
          transform: `translate(${view.x}px, ${view.y}px) scale(${view.scale})`,
        }}
      >
        <WholePicture picture={picture} />
        {!picture.waiting && size.width > 0 && view.scale > 0 && (
          <Tiles
            base={`/api/v1/jobs/${picture.jobId}/photographs/${picture.id}/tiles`}
            width={width}
            height={height}
            wanted={tilesSeen(
              picture,
              size,
              view,
              typeof window === 'undefined' ? 1 : window.devicePixelRatio,
            )}
          />
        )}
      </Box>
      <chakra.svg
        position="absolute"
        inset="0"
        width="100%"
        height="100%"
        overflow="visible"
        pointerEvents="none"
      >
        <g
          transform={`translate(${view.x} ${view.y}) scale(${view.scale})`}
          style={{ pointerEvents: 'auto' }}
        >
          {children}
        </g>
      </chakra.svg>
    </Box>
  );
}

/** The picture at the size of a screen: there at once, and what shows through while pieces come. */
const WholePicture = memo(function WholePicture({ picture }: { readonly picture: LookedAt }) {
  const { jobId, id, waiting, fileName } = picture;
  const local = useWaitingPicture(waiting);
  const source = waiting ? local : `/api/v1/jobs/${jobId}/photographs/${id}?size=1280`;
  return (
    source && (
      <chakra.img src={source} alt={fileName} draggable={false} width="100%" height="100%" maxWidth="none" />
    )
  );
});

/** How near the screen must come before pieces are worth their while: nearer than the picture that is there at once. */
const WHOLE = 1280;

interface TilesProps {
  readonly base: string;
  readonly width: number;
  readonly height: number;
  readonly wanted: readonly Tile[];
}

/** Changes only when other pieces come into sight, not with every pixel that the picture moves. */
function Tiles({ base, width, height, wanted }: TilesProps) {
  const key = wanted.map(({ halved, column, row }) => `${halved}/${column}_${row}`).join(' ');
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says all that matters of the list
  const tiles = useMemo(() => wanted, [key]);
  const halved = tiles[0]?.halved ?? 0;
  return Math.max(width, height) / 2 ** halved <= WHOLE ? null : (
    <TileImages base={base} width={width} height={height} wanted={tiles} />
  );
}

const TileImages = memo(function TileImages({ base, width, height, wanted }: TilesProps) {
  return wanted.map(({ halved, column, row }) => {
    const side = TILE * 2 ** halved;
    return (
      <chakra.img
        key={`${halved}/${column}_${row}`}
        src={`${base}/${halved}/${column}_${row}`}
        alt=""
        draggable={false}
        data-tile={`${halved}/${column}_${row}`}
        position="absolute"
        maxWidth="none"
        style={{
          left: column * side,
          top: row * side,
          width: Math.min(side, width - column * side),
          height: Math.min(side, height - row * side),
        }}
        onError={(event) => {
          event.currentTarget.style.visibility = 'hidden';
        }}
      />
    );
  });
});
