'use client';

import { Box } from '@chakra-ui/react';
import { scaleLinear } from 'd3-scale';
import type { Repeats } from '@/core/metrology/repeats';
import type { Unit } from '@/model/units';
import { type Figures, useFigures } from '../kit/figures';
import { paint } from '../kit/paint';

const WIDE = 480;
const STEP = 9;
const BELOW = 22;

/** Repeats at one place as dots on a line, equal ones stacked; what stands apart as an open diamond, told in words. */
export function RepeatsView({
  repeats,
  unit,
  decimals,
}: {
  readonly repeats: Repeats;
  readonly unit: Unit;
  readonly decimals: number;
}) {
  const figures = useFigures(unit, decimals, repeats.mean);
  const { place, values, apart } = repeats;
  const title = `${place ? `${place}: ` : ''}${values.length} repeats, mean ${figures.number(repeats.mean, 1)}, scatter ${figures.quantity(repeats.deviation, 1)}`;
  return (
    <Box marginTop="8px" data-testid="repeats">
      <Box fontSize="13px" color="second">
        {title}
        {repeats.testable ? '' : '; what stands apart is told from five on'}
      </Box>
      <Dots repeats={repeats} figures={figures} title={title} />
      {apart.map(({ id, value }) => (
        <Box key={id} borderLeft="4px solid" borderColor="metal" paddingLeft="12px">
          <strong>{figures.number(value)} stands apart from the others.</strong> It still counts: read again,
          or strike it out with a reason if you know what went wrong.
        </Box>
      ))}
    </Box>
  );
}

function Dots({
  repeats: { values, mean, apart },
  figures,
  title,
}: {
  readonly repeats: Repeats;
  readonly figures: Figures;
  readonly title: string;
}) {
  const sizes = values.map(({ value }) => value);
  const [low, high] = [Math.min(...sizes), Math.max(...sizes)];
  const margin = Math.max((high - low) * 0.15, 1e-6);
  const x = scaleLinear([low - margin, high + margin], [16, WIDE - 16]);
  const highest = Math.max(...sizes.map((size) => sizes.filter((other) => other === size).length));
  const line = Math.max(28, 16 + highest * STEP);
  const tall = line + BELOW;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${tall}`}
      width="100%"
      style={{ maxWidth: WIDE }}
      role="img"
      aria-label={title}
    >
      <line x1={0} x2={WIDE} y1={line} y2={line} stroke={paint('ink')} strokeWidth={1} />
      <line x1={x(mean)} x2={x(mean)} y1={6} y2={line + 6} stroke={paint('metal')} strokeWidth={1.6} />
      {[...new Set([low, high])].map((value) => (
        <text
          key={value}
          x={x(value)}
          y={tall - 4}
          textAnchor="middle"
          fill={paint('ink')}
          style={{ fontSize: '13px' }}
        >
          {figures.number(value)}
        </text>
      ))}
      {values.map(({ id, value }, index) => {
        const below = values.slice(0, index).filter((other) => other.value === value).length;
        const y = line - 6 - below * STEP;
        return apart.some((each) => each.id === id) ? (
          <path
            key={id}
            data-apart={id}
            d={`M${x(value)} ${y - 7}l7 7l-7 7l-7 -7Z`}
            fill={paint('paper')}
            stroke={paint('ink')}
            strokeWidth={2}
          />
        ) : (
          <circle key={id} cx={x(value)} cy={y} r={4} fill={paint('metal')} />
        );
      })}
    </svg>
  );
}
