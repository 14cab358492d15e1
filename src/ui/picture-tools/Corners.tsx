'use client';

import type { Quad } from '@/core/imaging/raster';
import type { Pane } from '../picture/usePane';
import { Grip } from './Grip';

interface CornersProps {
  readonly pane: Pane;
  readonly corners: Quad;
  /** What each corner is, as it stands beside it. */
  readonly names: readonly [string, string, string, string];
  readonly onCorners: (corners: Quad) => void;
}

/** Four corners over a picture, each a grip of its own. */
export function Corners({ pane, corners, names, onCorners }: CornersProps) {
  return (
    <g>
      <polygon
        points={corners.map((corner) => corner.join(',')).join(' ')}
        fill="none"
        stroke="#E3B354"
        strokeWidth={2.5 / pane.view.scale}
        pointerEvents="none"
      />
      {corners.map((corner, index) => (
        <Grip
          key={names[index]}
          pane={pane}
          at={corner}
          name={names[index]!}
          onMove={(to) => onCorners(corners.map((each, at) => (at === index ? to : each)) as unknown as Quad)}
        />
      ))}
    </g>
  );
}
