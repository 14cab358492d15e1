import { formatNumber } from '@/core/quantity/format';
import { exchanged } from '@/core/rebuild/packs';
import { paint } from '../kit/paint';

interface PackDrawingProps {
  readonly before: readonly number[];
  readonly after: readonly number[];
  readonly name: string;
  /** On the blue side of a station. */
  readonly onBlue?: boolean;
}

const [WIDTH, SECOND, PER_MM, GAP, PIECE, LEAST] = [290, 154, 19, 2.5, 56, 3] as const;
const FIGURE = 16.5;

/** A stack as it lies and as it will lie: the piece that leaves slides out, the piece that comes is solid brass, what stays is steel. */
export function PackDrawing({ before, after, name, onBlue = false }: PackDrawingProps) {
  const change = exchanged({ before, after });
  const ink = paint(onBlue ? 'onBlue' : 'ink');
  const left = layOut(before, change.out);
  const right = layOut(after, change.in);
  const height = Math.max(left.height, right.height, 24) + 6;
  const said = (pieces: readonly number[]) =>
    pieces.length === 0 ? 'nothing' : pieces.map(mm).join(' and ');
  const words = `${name}: ${said(before)}; ${change.out.length > 0 ? `${said(change.out)} out, ` : ''}${change.in.length > 0 ? `${said(change.in)} in` : 'nothing in'}`;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      width="100%"
      style={{ maxWidth: WIDTH }}
      role="img"
      aria-label={words}
    >
      <Pile pieces={left.pieces} x={0} ink={ink} look="out" />
      <Pile pieces={right.pieces} x={SECOND} ink={ink} look="in" />
    </svg>
  );
}

const mm = (value: number): string => formatNumber(value, 2);

interface Placed {
  readonly value: number;
  readonly y: number;
  readonly high: number;
  /** Where its figure stands, so that no two lie on each other. */
  readonly figureY: number;
  readonly changes: boolean;
}

function layOut(
  values: readonly number[],
  changing: readonly number[],
): { pieces: Placed[]; height: number } {
  const left = [...changing];
  let y = 3;
  let figureY = -Infinity;
  const pieces = values.map((value): Placed => {
    const high = Math.max(LEAST, value * PER_MM);
    const at = left.indexOf(value);
    if (at >= 0) left.splice(at, 1);
    figureY = Math.max(figureY + FIGURE, y + high / 2 + 5, 14);
    const placed = { value, y, high, figureY, changes: at >= 0 };
    y += high + GAP;
    return placed;
  });
  return { pieces, height: Math.max(y, figureY + 4) };
}

function Pile({
  pieces,
  x,
  ink,
  look,
}: {
  readonly pieces: readonly Placed[];
  readonly x: number;
  readonly ink: string;
  readonly look: 'out' | 'in';
}) {
  return (
    <g>
      {pieces.map(({ value, y, high, figureY, changes }) => {
        const shift = changes && look === 'out' ? 12 : 0;
        return (
          <g key={`${value} ${y}`}>
            <rect
              x={x + shift}
              y={y}
              width={PIECE}
              height={high}
              fill={changes ? (look === 'in' ? paint('brass') : 'none') : paint('metal')}
              fillOpacity={changes ? 1 : 0.35}
              stroke={changes ? paint('brass') : ink}
              strokeWidth={1.6}
              strokeDasharray={changes && look === 'out' ? '4 2' : undefined}
            />
            <path
              d={`M${x + PIECE + shift + 2} ${y + high / 2}L${x + PIECE + 22} ${figureY - 5}`}
              stroke={ink}
              strokeWidth={1}
              fill="none"
            />
            <text
              x={x + PIECE + 25}
              y={figureY}
              fill={ink}
              style={{ fontSize: '13px', fontWeight: changes ? 650 : 400 }}
            >
              {mm(value)}
              {changes ? ` ${look}` : ''}
            </text>
          </g>
        );
      })}
    </g>
  );
}
