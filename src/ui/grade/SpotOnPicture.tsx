'use client';

import { Box, chakra } from '@chakra-ui/react';
import type { Photograph } from '@/model/snapshot';

interface SpotOnPictureProps {
  readonly jobId: string;
  readonly photograph: Pick<Photograph, 'id' | 'width' | 'height' | 'fileName'>;
  /** Pixels of the upright picture. */
  readonly spot: readonly [number, number] | undefined;
  readonly onSpot?: (spot: [number, number]) => void;
}

/** In pixels of the screen; it takes its room before it is here. */
const TALLEST = 240;

/** A photograph with one spot ringed; where it may be moved, a tap moves it. */
export function SpotOnPicture({ jobId, photograph, spot, onSpot }: SpotOnPictureProps) {
  const { id, width, height, fileName } = photograph;
  return (
    <Box position="relative" width={`min(100%, ${TALLEST * (width / height || 1)}px)`}>
      <chakra.img
        src={`/api/v1/jobs/${jobId}/photographs/${id}?size=1280`}
        alt={spot ? `${fileName}, one spot of it ringed` : fileName}
        width="100%"
        aspectRatio={`${width} / ${height}`}
        display="block"
        border="1.5px solid"
        borderColor="ink"
        cursor={onSpot ? 'crosshair' : undefined}
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          onSpot?.([
            Math.round(((event.clientX - box.left) / box.width) * width),
            Math.round(((event.clientY - box.top) / box.height) * height),
          ]);
        }}
      />
      {spot && (
        <Box
          data-testid="spot"
          position="absolute"
          left={`${(spot[0] / width) * 100}%`}
          top={`${(spot[1] / height) * 100}%`}
          width="26px"
          height="26px"
          margin="-13px"
          border="3px solid"
          borderColor="onBlue"
          outline="2px solid"
          outlineColor="ink"
          borderRadius="50%"
          pointerEvents="none"
        />
      )}
    </Box>
  );
}
