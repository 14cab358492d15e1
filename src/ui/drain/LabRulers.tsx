import { Box } from '@chakra-ui/react';
import { formatNumber } from '@/core/quantity/format';
import type { JudgedElement } from '@/core/strip/labSample';
import { paint } from '../kit/paint';

const [WIDTH, ROW] = [350, 33] as const;
/** Both limits stand in one line, whatever their figures: so much of the ruler up to each. */
const [TO_WATCH, TO_ACT] = [0.46, 0.82] as const;

const LEVEL: Readonly<Record<JudgedElement['level'], string>> = {
  ...{ usual: 'usual', watch: 'more than usual', act: 'far too much', untold: 'no limit known' },
};

/** Where a figure stands on a ruler whose limits are fixed; of what has no limit, against the larger of both figures. */
function at(value: number, { limits, before = 0, value: now }: JudgedElement): number {
  if (!limits) return (0.8 * value) / Math.max(now, before, 1e-9);
  if (value <= limits.watch) return (TO_WATCH * value) / limits.watch;
  if (value <= limits.act)
    return TO_WATCH + ((TO_ACT - TO_WATCH) * (value - limits.watch)) / (limits.act - limits.watch);
  return Math.min(0.99, TO_ACT + ((1 - TO_ACT) * (value - limits.act)) / limits.act);
}

/** A sample on its rulers: the figure now, hollow the one before, and how much it grew; both limits in one line. */
export function LabRulers({ elements }: { readonly elements: readonly JudgedElement[] }) {
  const hasLimits = elements.some(({ limits }) => limits);
  return (
    <Box data-testid="lab-rulers">
      <Box
        as="table"
        aria-label="Wear metals"
        width="100%"
        css={{
          '& td, & th': { padding: '0 6px 0 0', textAlign: 'left', verticalAlign: 'middle' },
          '& th': { fontWeight: 400, fontSize: '13px' },
        }}
      >
        <thead>
          <tr>
            <th>Element</th>
            <th>ppm</th>
            <th>
              <Box as="span" color="second">
                hollow: the sample before
                {hasLimits ? '; thin line: watch, thick line: act' : '; no limit is known'}
              </Box>
            </th>
            <th style={{ textAlign: 'right' }}>in 10 000 km</th>
          </tr>
        </thead>
        <tbody>
          {elements.map((element) => (
            <tr key={element.id} data-level={element.level} title={`usually from ${element.from}`}>
              <td>
                <Box
                  as="span"
                  fontWeight={element.level === 'act' ? 650 : 400}
                  color={element.level === 'act' ? 'oxide' : undefined}
                >
                  {element.name}
                </Box>
              </td>
              <td>
                <strong>{formatNumber(element.value, 0)}</strong>
              </td>
              <td>
                <Ruler element={element} />
                <Box as="span" srOnly>
                  {LEVEL[element.level]}, usually from {element.from}
                </Box>
              </td>
              <td style={{ textAlign: 'right' }}>
                {element.per1000Km === undefined
                  ? ''
                  : `${element.per1000Km >= 0 ? '+' : '−'}${formatNumber(Math.abs(element.per1000Km * 10), 1)}`}
              </td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}

function Ruler({ element }: { readonly element: JudgedElement }) {
  const { level, limits, before, value } = element;
  const x = (of: number) => 4 + (WIDTH - 8) * at(of, element);
  const colour = paint(level === 'act' ? 'oxide' : 'metal');
  const base = 23;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${ROW}`}
      width="100%"
      style={{ maxWidth: WIDTH, display: 'block' }}
      aria-hidden="true"
    >
      {limits && <rect x={4} y={8} width={x(limits.watch) - 4} height={15} fill={paint('band')} />}
      <line x1={4} x2={WIDTH - 4} y1={base} y2={base} stroke={paint('ink')} strokeWidth={1.2} />
      {limits && (
        <>
          <line
            x1={x(limits.watch)}
            x2={x(limits.watch)}
            y1={0}
            y2={ROW}
            stroke={paint('ink')}
            strokeWidth={1.5}
          />
          <line
            x1={x(limits.act)}
            x2={x(limits.act)}
            y1={0}
            y2={ROW}
            stroke={paint('ink')}
            strokeWidth={2.5}
          />
        </>
      )}
      {before !== undefined && (
        <>
          <line x1={x(before)} x2={x(value)} y1={16} y2={16} stroke={colour} strokeWidth={3} />
          <path d={`M${x(before)} 22l-6 -10h12Z`} fill={paint('paper')} stroke={colour} strokeWidth={1.6} />
        </>
      )}
      <path d={`M${x(value)} 22l-6 -10h12Z`} fill={colour} />
    </svg>
  );
}
