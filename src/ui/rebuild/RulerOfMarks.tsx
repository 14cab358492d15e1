import { scaleLinear } from 'd3-scale';
import { formatNumber } from '@/core/quantity/format';
import { paint } from '../kit/paint';

interface RulerOfMarksProps {
  readonly name: string;
  readonly unit: string;
  readonly decimals?: number;
  readonly found?: number | undefined;
  readonly now: number;
  /** Of the figure now. */
  readonly doubt?: number | undefined;
  /** What the advised move would bring, with its deviation where it is known. */
  readonly after?: number | undefined;
  readonly afterDoubt?: number | undefined;
  readonly band?: { readonly min: number; readonly max: number } | undefined;
  readonly aim?: number | undefined;
}

const [WIDTH, BASE, BAND] = [400, 62, 27] as const;
const DOTS = '0.1 3.6';

/**
 * A figure on its ruler: the band between its stops, the aim below, what was found as a hollow triangle, what is now as a solid one with its
 * doubt as a bar, and what the move would bring in dots. Arcs show the way.
 */
export function RulerOfMarks(props: RulerOfMarksProps) {
  const { name, unit, decimals = 2, found, now, doubt = 0, after, afterDoubt = 0, band, aim } = props;
  const marks = [
    ...[found, now - doubt, now + doubt, band?.min, band?.max, aim],
    ...(after === undefined ? [] : [after - afterDoubt, after + afterDoubt]),
  ].filter((mark) => mark !== undefined);
  const [low, high] = [Math.min(...marks), Math.max(...marks)];
  const room = Math.max((high - low) * 0.12, 10 ** -decimals * 2);
  const x = scaleLinear([low - room, high + room], [16, WIDTH - 16]);
  const say = (value: number) => formatNumber(value, decimals);
  const isOut = band !== undefined && (now < band.min || now > band.max);
  const colour = paint(isOut ? 'oxide' : 'metal');
  const words = [
    `${name}: ${found === undefined ? '' : `found ${say(found)}, `}now ${say(now)} ${unit}`,
    band && `band ${say(band.min)} to ${say(band.max)}`,
    aim !== undefined && `aim ${say(aim)}`,
    after === undefined
      ? undefined
      : `; after the move ${say(after)}${afterDoubt > 0 ? ` ± ${formatNumber(afterDoubt, 3)}` : ''}`,
  ]
    .filter(Boolean)
    .join(', ')
    .replace(', ;', ';');
  return (
    <svg viewBox={`0 0 ${WIDTH} 96`} width="100%" style={{ maxWidth: WIDTH }} role="img" aria-label={words}>
      {band && (
        <>
          <rect
            x={x(band.min)}
            y={BASE - BAND}
            width={x(band.max) - x(band.min)}
            height={BAND}
            fill={paint('band')}
          />
          {[band.min, band.max].map((stop) => (
            <line
              key={stop}
              x1={x(stop)}
              x2={x(stop)}
              y1={BASE - BAND - 4}
              y2={BASE + 8}
              stroke={paint('ink')}
              strokeWidth={2.5}
            />
          ))}
        </>
      )}
      <line x1={8} x2={WIDTH - 8} y1={BASE} y2={BASE} stroke={paint('ink')} strokeWidth={1.4} />
      {x.ticks(12).map((tick) => (
        <line
          key={tick}
          x1={x(tick)}
          x2={x(tick)}
          y1={BASE}
          y2={BASE + 5}
          stroke={paint('ink')}
          strokeWidth={1}
        />
      ))}
      {aim !== undefined && <path d={triangle(x(aim), BASE + 3, 1)} fill={paint('ink')} />}
      {found !== undefined && found !== now && (
        <>
          <path d={triangle(x(found), BASE - 24, -1)} fill="none" stroke={paint('ink')} strokeWidth={1.6} />
          <Hop from={x(found)} to={x(now)} />
        </>
      )}
      {doubt > 0 && (
        <rect
          x={x(now - doubt)}
          y={BASE - 19}
          width={Math.max(3, x(now + doubt) - x(now - doubt))}
          height={12}
          fill={isOut ? 'none' : colour}
          stroke={colour}
          strokeWidth={1.6}
        />
      )}
      <line x1={x(now)} x2={x(now)} y1={BASE - 24} y2={BASE} stroke={colour} strokeWidth={2.4} />
      <path d={triangle(x(now), BASE - 24, -1)} fill={colour} />
      {after !== undefined && (
        <>
          <rect
            x={x(after - afterDoubt)}
            y={BASE - 19}
            width={Math.max(4, x(after + afterDoubt) - x(after - afterDoubt))}
            height={12}
            {...dotted}
          />
          <path d={triangle(x(after), BASE - 24, -1)} {...dotted} />
          <Hop from={x(now)} to={x(after)} advised />
        </>
      )}
      {figuresOf(props, x).map(({ value, at }) => (
        <text
          key={value}
          x={at}
          y={BASE + 30}
          textAnchor="middle"
          fill={paint('ink')}
          style={{ fontSize: '13px' }}
        >
          {say(value)}
        </text>
      ))}
    </svg>
  );
}

/** Round dots, so that what is only expected never passes for what was not looked at. */
const dotted = {
  ...{ fill: 'none', stroke: paint('metal'), strokeWidth: 2 },
  ...({ strokeDasharray: DOTS, strokeLinecap: 'round' } as const),
};

/** Figures below the ruler: stops first, then what was found where there is room for it. */
function figuresOf({ band, found, now }: RulerOfMarksProps, x: (value: number) => number) {
  const shown: { value: number; at: number }[] = [];
  for (const value of [...(band ? [band.min, band.max] : [now]), ...(found === undefined ? [] : [found])])
    if (shown.every(({ at }) => Math.abs(at - x(value)) > 34)) shown.push({ value, at: x(value) });
  return shown;
}

function Hop({
  from,
  to,
  advised = false,
}: {
  readonly from: number;
  readonly to: number;
  readonly advised?: boolean;
}) {
  if (Math.abs(from - to) < 14) return null;
  const end = to + Math.sign(from - to) * 6;
  return (
    <g>
      <path
        d={`M${from} 24C${from} 2 ${end} 2 ${end} 20`}
        fill="none"
        stroke={paint('ink')}
        strokeWidth={advised ? 1.8 : 1.2}
        strokeDasharray={advised ? DOTS : undefined}
        strokeLinecap="round"
      />
      <path d={`M${end} 24l-3.5 -7h7Z`} fill={paint('ink')} />
    </g>
  );
}

/** A triangle that stands on its tip, or hangs from it. */
const triangle = (x: number, y: number, way: 1 | -1): string =>
  `M${x} ${y}L${x - 7} ${y + way * 11}L${x + 7} ${y + way * 11}Z`;
