'use client';

import { chakra } from '@chakra-ui/react';
import { orientationWords } from '@/core/strip/stepWords';
import type { RecordOf } from '@/model/recordKinds';

type Orientation = NonNullable<RecordOf<'step'>['orientation']>;

/** Degrees clockwise from the right, as the section lies on the sheet: the front at the left. */
const ANGLE: Record<Orientation['toward'], number> = {
  front: 180,
  left: 180,
  rear: 0,
  right: 0,
  up: -90,
  down: 90,
};
const SIZE = { width: 150, height: 96 } as const;

/** A small drawing of a piece with the face that tells it apart, and an arrow to where that face looked. */
export function OrientationSketch({ orientation }: { readonly orientation: Orientation }) {
  const words = orientationWords(orientation);
  return (
    <chakra.svg
      width={`${SIZE.width}px`}
      height={`${SIZE.height}px`}
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      role="img"
      aria-label={words}
      color="ink"
    >
      <g
        transform={`translate(75 38) rotate(${ANGLE[orientation.toward]})`}
        stroke="currentColor"
        fill="none"
      >
        <rect x={-14} y={-24} width={22} height={48} strokeWidth={1.5} />
        <path d="M-30 0H18" strokeWidth={0.8} strokeDasharray="10 3 2 3" />
        <path d="M11 -24V24" strokeWidth={5} />
        <path d="M20 0H52M42 -7L53 0L42 7" strokeWidth={2.5} />
      </g>
      <text x={75} y={86} textAnchor="middle" fontSize={13} fill="currentColor">
        {words}
      </text>
    </chakra.svg>
  );
}
