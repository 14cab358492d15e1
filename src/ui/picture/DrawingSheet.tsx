'use client';

import { useRef, useState } from 'react';
import type { Size } from '@/core/imaging/planes';
import type { Point } from '@/core/imaging/raster';
import type { Pane } from './usePane';

interface DrawingSheetProps {
  readonly pane: Pane;
  readonly picture: Size;
  readonly label: string;
  /** A line drawn in one go, at least one point; a tap is one point. */
  readonly onStroke: (points: Point[]) => void;
  /** What is shown while it is drawn. */
  readonly children?: (points: readonly Point[]) => React.ReactNode;
}

/** Points nearer than this on the screen add nothing to a line. */
const NEAR = 3;

/** A clear sheet over the picture on which a finger draws; a second finger takes the picture instead. */
export function DrawingSheet({ pane, picture, label, onStroke, children }: DrawingSheetProps) {
  const [points, setPoints] = useState<readonly Point[]>([]);
  const line = useRef<Point[]>([]);
  const pointer = useRef<number>(undefined);
  const end = () => {
    pointer.current = undefined;
    const drawn = line.current;
    line.current = [];
    setPoints([]);
    if (drawn.length > 0) onStroke(drawn);
  };
  return (
    <>
      <rect
        width={picture.width}
        height={picture.height}
        fill="transparent"
        cursor="crosshair"
        data-testid="drawing-sheet"
        aria-label={label}
        onPointerDown={(event) => {
          if (event.button !== 0) return;
          if (pointer.current !== undefined) {
            // A second finger: this becomes a zoom, and nothing is drawn.
            line.current = [];
            pointer.current = undefined;
            return setPoints([]);
          }
          event.currentTarget.setPointerCapture?.(event.pointerId);
          pointer.current = event.pointerId;
          line.current = [pane.at(event)];
          setPoints(line.current);
        }}
        onPointerMove={(event) => {
          if (event.pointerId !== pointer.current) return;
          const at = pane.at(event);
          const last = line.current.at(-1)!;
          if (Math.hypot(at[0] - last[0], at[1] - last[1]) * pane.view.scale < NEAR) return;
          line.current = [...line.current, at];
          setPoints(line.current);
        }}
        onPointerUp={(event) => event.pointerId === pointer.current && end()}
        onPointerCancel={() => {
          line.current = [];
          pointer.current = undefined;
          setPoints([]);
        }}
      />
      {points.length > 0 && children?.(points)}
    </>
  );
}
