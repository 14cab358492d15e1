import { paint } from '../kit/paint';

interface Spot {
  readonly length: number;
  readonly height: number;
}

interface FlankDrawingProps {
  readonly title: string;
  readonly found?: Spot | undefined;
  readonly now?: Spot | undefined;
  readonly after?: Spot | undefined;
  /** Left out of what is only kept as it was found. */
  readonly aim?: Spot | undefined;
}

const [WIDTH, HIGH] = [156, 84];

/** A flank of the ring from toe to heel: where the patch was, where it is, where the move would bring it, and where it should lie. */
export function FlankDrawing({ title, found, now, after, aim }: FlankDrawingProps) {
  const at = ({ length, height }: Spot) => {
    const x = 10 + length * (WIDTH - 20);
    // The flank is lower at the toe than at the heel.
    const top = 22 - length * 8;
    const foot = 62 + length * 8;
    return [x, foot - height * (foot - top)] as const;
  };
  const oval = (spot: Spot, look: object) => {
    const [cx, cy] = at(spot);
    return <ellipse cx={cx} cy={cy} rx={26} ry={11} {...look} />;
  };
  const tell = (spot: Spot) =>
    `${spot.length < 0.35 ? 'at the toe' : spot.length > 0.6 ? 'at the heel' : 'at the middle'}, ${spot.height < 0.35 ? 'at the root' : spot.height > 0.65 ? 'at the top' : 'half way up'}`;
  const words = `${title}: ${now ? `the patch lies ${tell(now)}` : 'not marked'}${after ? `; after the move ${tell(after)}` : ''}`;
  return (
    <svg width={WIDTH} height={HIGH + 18} viewBox={`0 0 ${WIDTH} ${HIGH + 18}`} role="img" aria-label={words}>
      <path d={`M6 20L${WIDTH - 6} 12V72L6 64Z`} fill={paint('band')} stroke={paint('ink')} strokeWidth={2} />
      {found && oval(found, { fill: 'none', stroke: paint('ink'), strokeWidth: 1.6 })}
      {now && oval(now, { fill: paint('metal') })}
      {after && oval(after, { fill: 'none', stroke: paint('ink'), strokeWidth: 2, strokeDasharray: '2 3' })}
      {aim && <path d={`M${at(aim)[0]} 74l-6 9h12Z`} fill={paint('ink')} />}
      <text x={6} y={HIGH + 14} fill={paint('second')} style={{ fontSize: '13px' }}>
        toe
      </text>
      <text x={WIDTH - 6} y={HIGH + 14} textAnchor="end" fill={paint('second')} style={{ fontSize: '13px' }}>
        heel
      </text>
      <text
        x={WIDTH / 2}
        y={HIGH + 14}
        textAnchor="middle"
        fill={paint('ink')}
        style={{ fontSize: '13px', fontWeight: 650 }}
      >
        {title}
      </text>
    </svg>
  );
}
