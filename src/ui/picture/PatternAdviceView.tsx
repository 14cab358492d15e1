'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { patternAdvice } from '@/core/setup/patternAdvice';
import { recordsOf } from '@/core/strip/recordsOf';
import type { RecordOf } from '@/model/benchRecord';
import type { BenchRecord } from '@/model/snapshot';

type Pattern = Extract<RecordOf<'picture-measured'>['found'], { kind: 'pattern' }>;

/** What the last patterns on drive and coast say together: what to move, drawn and in words. */
export function PatternAdviceView({
  records,
  positionId,
}: {
  readonly records: readonly BenchRecord[];
  readonly positionId: string;
}) {
  const patterns = recordsOf(records, 'picture-measured').flatMap(({ content }) =>
    // A picture that is not to be relied on advises nothing: it must not call a pattern good either.
    content.positionId === positionId && content.found.kind === 'pattern' && content.confidence >= 0.5
      ? [content.found]
      : [],
  );
  const last = (flank: Pattern['flank']) => patterns.filter((pattern) => pattern.flank === flank).at(-1);
  const [drive, coast] = [last('drive'), last('coast')];
  if (!drive || !coast) return null;
  const advice = patternAdvice({
    drive: drive.centroid,
    coast: coast.centroid,
    ideal: IDEAL,
    tolerance: 0.08,
  });
  return (
    <Box as="section" data-testid="pattern-advice" aria-label="Contact pattern" marginTop="16px">
      <Heading as="h3" fontSize="16px">
        Contact pattern, drive and coast
      </Heading>
      <Flex gap="16px" wrap="wrap">
        <FlankSketch title="drive" pattern={drive} />
        <FlankSketch title="coast" pattern={coast} />
      </Flex>
      <Box fontWeight={650}>{advice.text}</Box>
    </Box>
  );
}

const IDEAL = { length: 0.45, height: 0.5 };
const SIZE = { width: 220, height: 96 };

/** A flank with its patch, and an arrow from its middle to where that should be. */
function FlankSketch({ title, pattern }: { readonly title: string; readonly pattern: Pattern }) {
  const x = (share: number) => share * SIZE.width;
  const y = (share: number) => (1 - share) * SIZE.height;
  const { extent, centroid } = pattern;
  const [fromX, fromY, toX, toY] = [x(centroid.length), y(centroid.height), x(IDEAL.length), y(IDEAL.height)];
  const away = Math.hypot(toX - fromX, toY - fromY);
  const angle = (Math.atan2(toY - fromY, toX - fromX) * 180) / Math.PI;
  return (
    <svg
      width={SIZE.width + 12}
      height={SIZE.height + 40}
      role="img"
      aria-label={`Flank on ${title}: the patch, and the way to its place`}
    >
      <g transform="translate(6 18)">
        <text y={-5} fontSize={13} fill="currentColor">
          {`${title}: toe`}
        </text>
        <text x={SIZE.width} y={-5} fontSize={13} textAnchor="end" fill="currentColor">
          heel
        </text>
        <rect width={SIZE.width} height={SIZE.height} fill="none" stroke="currentColor" strokeWidth={1.5} />
        <ellipse
          cx={x((extent.length[0] + extent.length[1]) / 2)}
          cy={y((extent.height[0] + extent.height[1]) / 2)}
          rx={x(extent.length[1] - extent.length[0]) / 2}
          ry={((extent.height[1] - extent.height[0]) * SIZE.height) / 2}
          fill="currentColor"
          fillOpacity={0.22}
          stroke="currentColor"
        />
        <circle cx={toX} cy={toY} r={5} fill="none" stroke="currentColor" strokeDasharray="3 2" />
        {away > 10 && (
          <g
            transform={`translate(${fromX} ${fromY}) rotate(${angle})`}
            stroke="currentColor"
            strokeWidth={2}
            fill="none"
          >
            <path d={`M0 0H${away - 6}M${away - 14} -5L${away - 6} 0L${away - 14} 5`} />
          </g>
        )}
        <text y={SIZE.height + 15} fontSize={13} fill="currentColor">
          root below, top above
        </text>
      </g>
    </svg>
  );
}
