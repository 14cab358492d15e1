'use client';

import { Box, Flex } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { ON_MAGNET } from '@/model/records/drained';
import { Picture } from '../job/Picture';
import type { OfJob } from '../job/useBench';
import { Press } from '../kit/Press';
import { paint } from '../kit/paint';
import type { OilSheet } from './useOil';

type OnMagnet = (typeof ON_MAGNET)[number];

interface MagnetProps extends OfJob {
  readonly found: OilSheet['magnet'];
  /** Left out for who may not say it. */
  readonly onPress?: ((thing: OnMagnet) => void) | undefined;
}

/** The plug with its magnet, cut open: what hangs on it is drawn, and said by the keys beside it. */
export function Magnet({ job, found, onPress }: MagnetProps) {
  const photograph = job.photographs.find(({ station, struck }) => !struck && station === 'drain');
  return (
    <Box
      bg="blue"
      color="onBlue"
      padding="10px 14px"
      marginTop="10px"
      role="group"
      aria-label="On the magnet"
    >
      <strong>On the magnet</strong>
      <Flex gap="14px" align="center">
        <Box flex="0 1 170px" minWidth="120px">
          <Plug found={found} />
        </Box>
        <Flex wrap="wrap" gap="6px" flex="1 1 240px">
          {ON_MAGNET.map((thing) => (
            <Press
              key={thing}
              kind={found.includes(thing) ? 'undo' : 'onBlue'}
              aria-pressed={found.includes(thing)}
              disabled={!onPress}
              _disabled={{
                color: found.includes(thing) ? 'brass' : 'onBlueSecond',
                borderColor: found.includes(thing) ? 'brass' : 'onBlueSecond',
                cursor: 'default',
              }}
              minHeight="56px"
              flex="1 1 110px"
              justifyContent="flex-start"
              gap="8px"
              paddingInline="10px"
              borderWidth={found.includes(thing) ? '2px' : '1px'}
              onClick={() => onPress?.(thing)}
            >
              <Glyph thing={thing} />
              {WORDS[thing]}
            </Press>
          ))}
        </Flex>
        {photograph && (
          <Box flex="0 0 124px" css={{ '& figcaption': { color: 'onBlueSecond' } }}>
            <Picture job={job} photograph={photograph} />
          </Box>
        )}
      </Flex>
    </Box>
  );
}

const WORDS: Readonly<Record<OnMagnet, string>> = {
  ...{ nothing: 'nothing', paste: 'paste', slivers: 'slivers', flakes: 'flakes', chunks: 'a chunk' },
};

const line = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.8 };
const GLYPHS: Readonly<Record<OnMagnet, ReactNode>> = {
  nothing: <path d="M4 10H20" {...line} />,
  paste: <path d="M3 16A9 8 0 0 1 21 16Z" fill="currentColor" />,
  slivers: <path d="M5 18L8 4M10 18L11 3M15 18L15 4M20 18L18 5" {...line} />,
  flakes: <path d="M3 12l5-4 5 3-5 4zM12 17l5-4 5 2-5 4z" {...line} />,
  chunks: <path d="M5 17L3 9L10 3L19 6L21 14L14 18Z" {...line} />,
};
const Glyph = ({ thing }: { readonly thing: OnMagnet }) => (
  <svg width={24} height={20} viewBox="0 0 24 20" aria-hidden="true">
    {GLYPHS[thing]}
  </svg>
);

/** A plug cut on one side, seen from outside on the other, with what was found on its tip. */
function Plug({ found }: { readonly found: OilSheet['magnet'] }) {
  const ink = paint('onBlueSecond');
  return (
    <svg viewBox="0 0 200 150" width="100%" aria-hidden="true">
      <defs>
        <pattern
          id="plug-cut"
          width={5}
          height={5}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1={0} x2={0} y1={0} y2={5} stroke={ink} strokeWidth={1.2} />
        </pattern>
      </defs>
      <path d="M62 66V112H100V66Z" fill="url(#plug-cut)" stroke={ink} strokeWidth={1.8} />
      <path d="M100 66V112H138V66Z" fill="none" stroke={ink} strokeWidth={1.8} />
      {[72, 80, 88, 96, 104].map((y) => (
        <path key={y} d={`M100 ${y}L138 ${y - 5}`} stroke={ink} strokeWidth={1.2} />
      ))}
      <path d="M44 112H156V120H44Z" fill="none" stroke={ink} strokeWidth={1.8} />
      <path d="M58 120V144H142V120" fill="none" stroke={ink} strokeWidth={1.8} />
      <rect x={78} y={40} width={44} height={44} fill="none" stroke={paint('onBlue')} strokeWidth={2} />
      {found.includes('paste') && (
        <path
          d="M66 52C66 26 86 24 100 24S134 26 134 52L128 58H122V40H78V58H72Z"
          fill="#8FA3A6"
          stroke={paint('onBlue')}
          strokeWidth={1.4}
        />
      )}
      {found.includes('slivers') &&
        [68, 76, 84, 93, 102, 111, 120, 129].map((x, nth) => (
          <path
            key={x}
            d={`M${x} 32L${x + (x - 100) / 5} ${8 + ((nth * 5) % 9)}`}
            stroke={paint('onBlue')}
            strokeWidth={1.6}
          />
        ))}
      {found.includes('flakes') &&
        [
          [64, 42],
          [128, 36],
          [96, 16],
        ].map(([x, y]) => (
          <path
            key={x}
            d={`M${x} ${y}l7 -5l7 4l-7 5z`}
            fill={paint('blue')}
            stroke={paint('onBlue')}
            strokeWidth={1.5}
          />
        ))}
      {found.includes('chunks') && (
        <path
          d="M104 34L98 18L110 6L126 12L128 26L118 36Z"
          fill="#CFD6D8"
          stroke={paint('onBlue')}
          strokeWidth={1.6}
        />
      )}
      <line x1={100} x2={100} y1={2} y2={148} stroke={ink} strokeWidth={1} strokeDasharray="9 3 2 3" />
    </svg>
  );
}
