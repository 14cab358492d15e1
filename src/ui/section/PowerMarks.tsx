'use client';

import { memo } from 'react';
import type { Section } from '@/core/section/drawSection';
import type { Box, Point } from '@/core/section/geometry';
import type { PowerPath } from '@/core/section/powerPath';
import { areaPath, linePath } from '@/core/section/svgPath';
import { paint } from '../kit/paint';
import { Plate } from './SectionMarks';

interface PowerMarksProps {
  readonly section: Section;
  readonly path: PowerPath;
  readonly isBad: (positionId: string) => boolean;
  readonly prefix: string;
}

const LENS = 11;

/** The path of power: what carries load filled blue, cut metal hatched in brass, the way it goes as a brass line. */
export const PowerMarks = memo(function PowerMarks({ section, path, isBad, prefix }: PowerMarksProps) {
  const clip = (id: string) => `${prefix}-lit-${id}`;
  return (
    <g data-testid="power" pointerEvents="none">
      <defs>
        <pattern
          id={`${prefix}-power`}
          width="4.6"
          height="4.6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1="0" x2="0" y1="0" y2="4.6" stroke={paint('brass')} strokeWidth="1.1" />
        </pattern>
        {[...path.lit].map(([id, box]) => (
          <clipPath key={id} id={clip(id)}>
            <ClipBox box={box} />
          </clipPath>
        ))}
      </defs>
      {section.marks.map((mark, index) => {
        if (!('area' in mark) || !path.lit.has(mark.area.positionId)) return null;
        const { positionId, tone, hatch } = mark.area;
        if (tone === 'cavity') return null;
        const d = areaPath(mark.area);
        return (
          <g key={index} data-lit={positionId} clipPath={`url(#${clip(positionId)})`}>
            <path
              d={d}
              fill={paint(tone === 'land' ? 'none' : 'blue')}
              stroke={paint('brass')}
              strokeWidth={tone === 'land' ? 0.6 : 1.2}
              opacity={tone === 'land' ? 0.8 : 1}
            />
            {hatch && tone !== 'land' && <path d={d} fill={`url(#${prefix}-power)`} />}
          </g>
        );
      })}
      <RollingElements section={section} bearings={path.bearings} />
      <Flow lines={path.flow} />
      {section.plates.map((plate) => (
        <Plate key={plate.positionId} plate={plate} bad={isBad(plate.positionId)} />
      ))}
      {path.meshes.map(([x, y], index) => (
        <g key={index} data-mesh="loaded">
          <circle cx={x} cy={y} r={LENS} fill="none" stroke={paint('blue')} strokeWidth={5} />
          <circle cx={x} cy={y} r={LENS} fill="none" stroke={paint('brass')} strokeWidth={2} />
        </g>
      ))}
    </g>
  );
});

function ClipBox({ box: { left, right, top, bottom } }: { readonly box: Box }) {
  return <rect x={left - 1} y={top - 1} width={right - left + 2} height={bottom - top + 2} />;
}

/** What rolls in a bearing that carries load turns brass. */
function RollingElements({
  section,
  bearings,
}: {
  readonly section: Section;
  readonly bearings: ReadonlySet<string>;
}) {
  return section.marks.map((mark, index) =>
    'area' in mark && mark.area.tone === 'roller' && bearings.has(mark.area.positionId) ? (
      <path
        key={index}
        data-loaded-bearing={mark.area.positionId}
        d={areaPath(mark.area)}
        fill={paint('brass')}
        stroke={paint('blue')}
        strokeWidth={1.4}
      />
    ) : null,
  );
}

/** All edges before all middles, so that lines which part from each other read as one. */
function Flow({ lines }: { readonly lines: PowerPath['flow'] }) {
  const ends = new Map(lines.map((line) => [String(line.at(-1)), line.slice(-2)]));
  return (
    <>
      {(['blue', 'brass'] as const).map((colour) =>
        lines.map((line) => (
          <path
            key={`${colour} ${line.join(' ')}`}
            data-flow={colour === 'brass' ? 'way' : undefined}
            d={linePath(line)}
            fill="none"
            stroke={paint(colour)}
            strokeWidth={colour === 'blue' ? 8.5 : 3.4}
            strokeLinejoin="round"
          />
        )),
      )}
      {[...ends].map(([end, points]) => (
        <Arrow key={end} points={points} />
      ))}
    </>
  );
}

/** Where power leaves. */
function Arrow({ points }: { readonly points: readonly Point[] }) {
  const [from, to] = points;
  if (!from || !to) return null;
  const angle = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
  return (
    <path
      d="M2 0L-14 -9L-14 9Z"
      transform={`translate(${to[0]} ${to[1]}) rotate(${angle})`}
      fill={paint('brass')}
      stroke={paint('blue')}
      strokeWidth={2}
    />
  );
}
