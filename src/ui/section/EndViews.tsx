'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import type { DescribedTrain } from '@/core/gearing/trainOfType';
import { formatNumber } from '@/core/quantity/format';
import { type EndGear, type EndView, endViews } from '@/core/section/endView';
import { linePath } from '@/core/section/svgPath';
import type { UnitType } from '@/model/unitType';
import { Press } from '../kit/Press';
import { paint } from '../kit/paint';

interface EndViewsProps {
  readonly unitType: UnitType;
  readonly inGear: DescribedTrain;
}

/** Epicyclic sets as seen along their axis, shown when asked for. */
export function EndViews({ unitType, inGear }: EndViewsProps) {
  const views = useMemo(() => endViews(unitType), [unitType]);
  const [shown, setShown] = useState(false);
  if (views.length === 0) return null;
  return (
    <Box marginTop="16px">
      <Press aria-expanded={shown} onClick={() => setShown(!shown)}>
        {shown ? 'Put the end view away' : 'End view of the planets'}
      </Press>
      {shown && (
        <Flex gap="24px" wrap="wrap" marginTop="8px" data-testid="end-view">
          {views.map((view) => (
            <OneSet
              key={view.gears.map(({ gear }) => gear).join(' ')}
              view={view}
              unitType={unitType}
              inGear={inGear}
            />
          ))}
        </Flex>
      )}
    </Box>
  );
}

const SIZE = 280;

function OneSet({ view, unitType, inGear }: EndViewsProps & { readonly view: EndView }) {
  const { radius, gears, title, spacing, carrier } = view;
  const speedOf = (body: string) => inGear.train.speeds?.[body] ?? 0;
  const carrierName = unitType.bodies.find(({ id }) => id === carrier)?.name ?? carrier;
  const loaded = new Set(inGear.loadedMeshes.flatMap(({ a, b }) => [a, b]));
  const [ring, ...inner] = gears[0]?.internal ? gears : [undefined, ...gears];
  return (
    <Box width={`${SIZE}px`}>
      <Heading as="h4" fontSize="15px">
        {title}
      </Heading>
      <svg
        viewBox={`${-radius} ${-radius} ${2 * radius} ${2 * radius}`}
        width={SIZE}
        height={SIZE}
        role="img"
        aria-label={`${title} from the end: ${spacing}`}
      >
        {ring && (
          <path
            d={`${circle(radius * 0.99)}${linePath(ring.outline, true)}`}
            fillRule="evenodd"
            fill={paint(loaded.has(ring.gear) ? 'blue' : 'sectionSteel')}
            stroke={paint(loaded.has(ring.gear) ? 'brass' : 'ink')}
            strokeWidth={0.5}
          />
        )}
        {inner.map((gear, index) =>
          gear ? <Toothed key={`${gear.gear} ${index}`} gear={gear} loaded={loaded.has(gear.gear)} /> : null,
        )}
      </svg>
      <Box fontSize="13px">{spacing}.</Box>
      <Box as="ul" fontSize="13px" paddingLeft="16px">
        {distinct(gears).map((gear) => (
          <li key={gear.gear}>
            {gear.name}, {gear.teeth} teeth: {turning(speedOf(gear.body))}
          </li>
        ))}
        <li>
          {carrierName} carries the pins: {turning(speedOf(carrier))}
        </li>
      </Box>
    </Box>
  );
}

function Toothed({ gear, loaded }: { readonly gear: EndGear; readonly loaded: boolean }) {
  const [cx, cy] = gear.centre;
  return (
    <g>
      <path
        d={linePath(gear.outline, true)}
        fill={paint(loaded ? 'blue' : 'sectionSteel')}
        stroke={paint(loaded ? 'brass' : 'ink')}
        strokeWidth={0.5}
      />
      <circle
        cx={cx}
        cy={cy}
        r={gear.pitch}
        fill="none"
        stroke={paint(loaded ? 'brass' : 'ink')}
        strokeWidth={0.3}
        strokeDasharray="3 1 0.6 1"
      />
      <circle
        cx={cx}
        cy={cy}
        r={gear.pitch * 0.4}
        fill={paint('paper')}
        stroke={paint('ink')}
        strokeWidth={0.5}
      />
      <text
        x={cx}
        y={cy + gear.pitch * 0.13}
        textAnchor="middle"
        fill={paint('ink')}
        style={{ fontSize: `${gear.pitch * 0.38}px`, fontWeight: 650 }}
      >
        {gear.teeth}
      </text>
    </g>
  );
}

const circle = (r: number) => `M${-r} 0A${r} ${r} 0 1 0 ${r} 0A${r} ${r} 0 1 0 ${-r} 0Z`;

const distinct = (gears: readonly EndGear[]) =>
  gears.filter(({ gear }, index) => gears.findIndex((other) => other.gear === gear) === index);

const turning = (speed: number): string => (speed === 0 ? 'stands still' : `turns ${formatNumber(speed, 3)}`);
