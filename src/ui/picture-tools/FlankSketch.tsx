import type { MeanPattern } from '@/core/setup/patternRounds';

const SIZE = { width: 220, height: 96 };

interface FlankSketchProps {
  readonly title: string;
  readonly pattern: MeanPattern;
  readonly ideal: { readonly length: number; readonly height: number };
}

/** A flank with its patch, and an arrow from its middle to where that should be. */
export function FlankSketch({ title, pattern, ideal }: FlankSketchProps) {
  const x = (share: number) => share * SIZE.width;
  const y = (share: number) => (1 - share) * SIZE.height;
  const { extent, centroid } = pattern;
  const [fromX, fromY, toX, toY] = [x(centroid.length), y(centroid.height), x(ideal.length), y(ideal.height)];
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
