import { paint } from './paint';

/** A pixel of jitter for each struck digit, the same for the same number. */
function jitter(peg: number, index: number): number {
  const seeded = Math.sin(peg * 12.9898 + index * 78.233) * 43758.5453;
  return Math.round((seeded - Math.floor(seeded)) * 2 - 1);
}

/** The stamped zinc plate that hangs on the unit. */
export function PegPlate({ peg, width = 74 }: { readonly peg: number; readonly width?: number }) {
  const digits = [...String(peg)];
  const step = digits.length > 4 ? 12 : 17;
  const start = 37 - ((digits.length - 1) * step) / 2;
  return (
    <svg
      width={width}
      height={(width * 46) / 74}
      viewBox="0 0 74 46"
      role="img"
      aria-label={`peg ${peg}`}
      style={{ flexShrink: 0 }}
    >
      <path
        d="M9 1H65L73 9V37L65 45H9L1 37V9Z"
        fill={paint('zinc')}
        stroke={paint('zincInk')}
        strokeWidth="1.5"
      />
      <circle cx="37" cy="8" r="3.2" fill={paint('zincInk')} />
      {digits.map((digit, index) => (
        <text
          key={index}
          x={start + index * step}
          y={35 + jitter(peg, index)}
          textAnchor="middle"
          fill={paint('zincInk')}
          style={{ fontSize: digits.length > 4 ? '20px' : '26px', fontWeight: 800, fontStretch: '75%' }}
          transform={`rotate(${jitter(peg, index + 7) * 1.2} ${start + index * step} 30)`}
        >
          {digit}
        </text>
      ))}
    </svg>
  );
}

/** A unit on hold: the split pin that keeps it from moving on. */
export function SplitPin({
  size = 30,
  colour = 'ink',
}: {
  readonly size?: number;
  readonly colour?: 'ink' | 'brass';
}) {
  return (
    <svg
      width={`${size}px`}
      height={`${size * 0.66}px`}
      viewBox="0 0 36 24"
      role="img"
      aria-label="on hold"
      style={{ flexShrink: 0 }}
    >
      <path
        d="M14 10C10 4 2 5 2 12C2 19 10 20 14 14L24 12L34 4M14 10L24 12L34 20"
        fill="none"
        stroke={paint(colour)}
        strokeWidth="3"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  );
}
