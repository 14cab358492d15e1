import type { Point } from '@/core/imaging/raster';
import { DrawingSheet } from '../picture/DrawingSheet';
import { Corners } from './Corners';
import { MaskOverlay } from './MaskOverlay';
import type { Taken } from './measured';
import { HANDS, type Hand } from './RegionKeys';
import type { Work } from './tool';
import type { Region, RegionSet } from './useRegion';

const FLANK_CORNERS = ['toe, root', 'heel, root', 'heel, top', 'toe, top'] as const;
const REGION_CORNERS = ['corner 1', 'corner 2', 'corner 3', 'corner 4'] as const;
const LINE = '#E3B354';

interface RegionOverlayProps extends Pick<Work, 'pane' | 'picture'> {
  readonly region: Region;
  readonly taken: Taken | undefined;
  readonly hand: Hand | undefined;
  /** Width of the brush in pixels of the picture. */
  readonly brush: number;
  readonly onRegion: (change: Partial<RegionSet>) => void;
  readonly onStroke: (points: Point[]) => void;
}

/** Over the picture: the region's corners or outline, what was taken of it, and the sheet that a finger draws on. */
export function RegionOverlay({ pane, picture, region, taken, hand, brush, ...on }: RegionOverlayProps) {
  const pixel = 1 / Math.max(1e-6, pane.view.scale);
  const line = (points: readonly Point[]) => points.map((point) => point.join(',')).join(' ');
  return (
    <>
      {taken && <MaskOverlay mask={taken.result.mask} corners={region.box} />}
      {region.pits && region.outline ? (
        <polygon
          points={line(region.outline)}
          fill="none"
          stroke={LINE}
          strokeWidth={2.5 * pixel}
          pointerEvents="none"
          data-testid="outline"
        />
      ) : (
        <Corners
          pane={pane}
          corners={region.corners}
          names={region.pits ? REGION_CORNERS : FLANK_CORNERS}
          onCorners={(corners) => on.onRegion({ corners })}
        />
      )}
      {region.pits && region.sound && (
        <circle
          cx={region.sound[0]}
          cy={region.sound[1]}
          r={10 * pixel}
          fill="none"
          stroke={LINE}
          strokeWidth={2.5 * pixel}
          pointerEvents="none"
          data-testid="sound-surface"
        />
      )}
      {hand && (
        <DrawingSheet pane={pane} picture={picture} label={HANDS[hand]} onStroke={on.onStroke}>
          {(points) => (
            <polyline
              points={line(points)}
              fill="none"
              stroke={LINE}
              strokeLinecap="round"
              strokeOpacity={0.7}
              strokeWidth={hand === 'add' || hand === 'clear' ? brush : 2.5 * pixel}
            />
          )}
        </DrawingSheet>
      )}
    </>
  );
}
