'use client';

import { chakra } from '@chakra-ui/react';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import type { Point, Quad } from '@/core/imaging/raster';
import { useWidth } from '../section/useWidth';

interface CornersProps {
  /** Of the picture, in its own pixels. */
  readonly width: number;
  readonly height: number;
  readonly corners: Quad;
  readonly names: readonly [string, string, string, string];
  readonly onCorners: (corners: Quad) => void;
  /** What was taken for the patch or the pits. */
  readonly strips: readonly Quad[];
}

const GRIP_PX = 22;
const STEPS: Record<string, Point> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Four corners over a picture, dragged by finger or pen, or moved by the arrow keys (with Shift ten times as far). */
export function Corners({ width, height, corners, names, onCorners, strips }: CornersProps) {
  const sheet = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<number>();
  const move = (index: number, [x, y]: Point) => {
    const inside: Point = [Math.min(width, Math.max(0, x)), Math.min(height, Math.max(0, y))];
    onCorners(corners.map((corner, at) => (at === index ? inside : corner)) as unknown as Quad);
  };
  const drag = (event: PointerEvent) => {
    const box = sheet.current?.getBoundingClientRect();
    if (held === undefined || !box) return;
    move(held, [
      ((event.clientX - box.left) / box.width) * width,
      ((event.clientY - box.top) / box.height) * height,
    ]);
  };
  const press = (event: KeyboardEvent, index: number) => {
    const step = STEPS[event.key];
    if (!step) return;
    event.preventDefault();
    const far = (event.shiftKey ? 10 : 1) * (width / 1000);
    const [x, y] = corners[index]!;
    move(index, [x + step[0] * far, y + step[1] * far]);
  };
  // A grip keeps its size on the screen whatever the picture's own pixels are.
  const scale = width / useWidth(sheet, 520);
  const points = (quad: Quad) => quad.map((corner) => corner.join(',')).join(' ');
  return (
    <chakra.svg
      ref={sheet}
      viewBox={`0 0 ${width} ${height}`}
      position="absolute"
      inset="0"
      width="100%"
      height="100%"
      touchAction="none"
      onPointerMove={drag}
      onPointerUp={() => setHeld(undefined)}
      role="group"
      aria-label="Corners of the region"
    >
      <g fill="#0C4052" fillOpacity={0.6} data-testid="taken">
        {strips.map((strip) => (
          <polygon key={points(strip)} points={points(strip)} />
        ))}
      </g>
      <polygon points={points(corners)} fill="none" stroke="#E3B354" strokeWidth={2.5 * scale} />
      {corners.map(([x, y], index) => (
        // biome-ignore lint/a11y/useSemanticElements: a slider of two axes has no element of its own
        <g
          key={names[index]}
          role="button"
          tabIndex={0}
          aria-label={`${names[index]}: ${Math.round(x)}, ${Math.round(y)}`}
          cursor="grab"
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture?.(event.pointerId);
            setHeld(index);
          }}
          onKeyDown={(event) => press(event, index)}
        >
          <circle cx={x} cy={y} r={GRIP_PX * scale} fill="#0C4052" fillOpacity={0.35} />
          <circle cx={x} cy={y} r={5 * scale} fill="#E3B354" stroke="#0C4052" strokeWidth={1.5 * scale} />
          <text
            x={x}
            y={y - (GRIP_PX + 4) * scale}
            fontSize={14 * scale}
            fontWeight={650}
            textAnchor="middle"
            fill="#F4EFE2"
            stroke="#0C4052"
            strokeWidth={3 * scale}
            paintOrder="stroke"
          >
            {names[index]}
          </text>
        </g>
      ))}
    </chakra.svg>
  );
}
