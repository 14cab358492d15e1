'use client';

import { type KeyboardEvent, useRef } from 'react';
import type { Point } from '@/core/imaging/raster';
import type { Pane } from '../picture/usePane';

/** Eleven pixels to each side: the grip itself is small, what the finger finds is 44 wide. */
const FINGER = 22;

interface GripProps {
  readonly pane: Pane;
  readonly at: Point;
  readonly name: string;
  readonly shown?: boolean;
  readonly onMove: (to: Point) => void;
  /** When the finger or the key lets go. */
  readonly onSettled?: () => void;
}

/** A point on the picture that is dragged, or moved by the arrow keys a screen pixel at a time (with Shift ten). */
export function Grip({ pane, at: [x, y], name, shown = true, onMove, onSettled }: GripProps) {
  const held = useRef<readonly [dx: number, dy: number]>(undefined);
  const pixel = 1 / Math.max(1e-6, pane.view.scale);
  const press = (event: KeyboardEvent) => {
    const steps: Record<string, readonly [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
    };
    const step = steps[event.key];
    if (!step) return;
    event.preventDefault();
    event.stopPropagation();
    const far = (event.shiftKey ? 10 : 1) * Math.max(1, pixel);
    onMove([x + step[0] * far, y + step[1] * far]);
    onSettled?.();
  };
  return (
    // biome-ignore lint/a11y/useSemanticElements: a slider of two axes has no element of its own
    <g
      data-grip=""
      role="button"
      tabIndex={0}
      aria-label={`${name}: ${Math.round(x)}, ${Math.round(y)}`}
      cursor="grab"
      onKeyDown={press}
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture?.(event.pointerId);
        const [px, py] = pane.at(event);
        held.current = [x - px, y - py];
      }}
      onPointerMove={(event) => {
        if (!held.current) return;
        const [px, py] = pane.at(event);
        onMove([px + held.current[0], py + held.current[1]]);
      }}
      onPointerUp={() => {
        if (held.current) onSettled?.();
        held.current = undefined;
      }}
    >
      <circle cx={x} cy={y} r={FINGER * pixel} fill="#0C4052" fillOpacity={0.25} />
      <circle cx={x} cy={y} r={5 * pixel} fill="#E3B354" stroke="#0C4052" strokeWidth={1.5 * pixel} />
      {shown && (
        <text
          x={x}
          y={y - (FINGER + 4) * pixel}
          style={{ fontSize: 14 * pixel, fontWeight: 650 }}
          textAnchor="middle"
          fill="#F4EFE2"
          stroke="#0C4052"
          strokeWidth={3 * pixel}
          paintOrder="stroke"
        >
          {name}
        </text>
      )}
    </g>
  );
}
