import { memo } from 'react';
import type { CellMask } from '@/core/imaging/brush';
import { maskStrips } from '@/core/imaging/maskOutline';
import type { Quad } from '@/core/imaging/raster';

/** What was taken, in one path: hundreds of strips as shapes of their own would make the picture heavy to move. */
export const MaskOverlay = memo(function MaskOverlay({
  mask,
  corners,
}: {
  readonly mask: CellMask;
  readonly corners: Quad;
}) {
  const path = maskStrips(mask, corners)
    .map((strip) => `M${strip.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`)
    .join('');
  return <path d={path} fill="#0C4052" fillOpacity={0.6} pointerEvents="none" data-testid="taken" />;
});
