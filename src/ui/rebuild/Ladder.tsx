import { Box, Flex } from '@chakra-ui/react';
import { scaleLinear } from 'd3-scale';
import { formatNumber } from '@/core/quantity/format';
import { paint } from '../kit/paint';
import { movesWords, type Shown } from './Advice';

interface LadderProps {
  readonly setUp: Shown;
  /** What the set had shown of its own factor by each round. */
  readonly factors?: readonly ({ readonly value: number; readonly deviation: number } | undefined)[];
}

const [ROW, WIDE] = [58, 118] as const;
const mm = (value: number, decimals = 2) => formatNumber(value, decimals);

/** Every round, one under the other: what was moved, what was read, how the backlash went through its band, and what the set itself has shown. */
export function Ladder({ setUp, factors = [] }: LadderProps) {
  const { rounds, means, advice, band } = setUp;
  return (
    <Flex borderTop="2px solid" borderColor="ink" gap="10px" paddingTop="6px">
      <Box as="ol" listStyleType="none" padding="0" flex="1 1 220px" minWidth="0" aria-label="Rounds">
        {rounds.map(({ id, author, content: { moved, teeth } }, at) => {
          const values = teeth.map(({ backlash }) => backlash);
          const factor = factors[at];
          return (
            <Flex
              as="li"
              key={id}
              gap="10px"
              height={`${ROW}px`}
              overflow="hidden"
              fontSize="15px"
              lineHeight="18px"
            >
              <strong>{at + 1}</strong>
              <Box minWidth="0">
                <Box fontWeight={650}>
                  {moved
                    ? `${movesWords(moved) || 'nothing moved'}${moved.asTold ? '' : ', otherwise than told'}`
                    : 'first build'}
                </Box>
                <Box fontSize="13px" color="second">
                  {mm(means[at]!)} mm, {mm(Math.min(...values))} to {mm(Math.max(...values))}; {author}
                  {factor && at > 0 && `; own factor ${mm(factor.value)} ± ${mm(factor.deviation)}`}
                </Box>
              </Box>
            </Flex>
          );
        })}
        {advice?.status === 'move' && (
          <Flex as="li" gap="10px" color="second">
            <span>{rounds.length + 1}</span>
            <span>advised</span>
          </Flex>
        )}
      </Box>
      {band && <Course {...{ means, band, advice }} />}
    </Flex>
  );
}

/** The backlash from round to round through its band; the advised move in dots. */
function Course({
  means,
  band,
  advice,
}: Pick<Shown, 'means' | 'advice'> & { readonly band: NonNullable<Shown['band']> }) {
  const after = advice?.predicted?.backlash.value;
  const all = [...means, band.min, band.max, ...(after === undefined ? [] : [after])];
  const span = Math.max(...all) - Math.min(...all) || 0.1;
  const x = scaleLinear([Math.min(...all) - span * 0.15, Math.max(...all) + span * 0.15], [8, WIDE - 8]);
  const y = (at: number) => at * ROW + 12;
  const high = (means.length + (after === undefined ? 0 : 1)) * ROW;
  const words = `Backlash by round: ${means.map((mean) => mm(mean)).join(', ')}${after === undefined ? '' : `; then ${mm(after)}`}; band ${mm(band.min)} to ${mm(band.max)}`;
  return (
    <svg width={WIDE} height={Math.max(30, high - ROW + 30)} role="img" aria-label={words}>
      <rect x={x(band.min)} y={0} width={x(band.max) - x(band.min)} height="100%" fill={paint('band')} />
      {means.slice(1).map((mean, at) => (
        <line
          key={y(at)}
          x1={x(means[at]!)}
          y1={y(at)}
          x2={x(mean)}
          y2={y(at + 1)}
          stroke={paint('ink')}
          strokeWidth={1.4}
        />
      ))}
      {after !== undefined && (
        <line
          x1={x(means.at(-1)!)}
          y1={y(means.length - 1)}
          x2={x(after)}
          y2={y(means.length)}
          stroke={paint('ink')}
          strokeWidth={2}
          strokeDasharray="0.1 4"
          strokeLinecap="round"
        />
      )}
      {means.map((mean, at) => (
        <circle
          key={y(at)}
          cx={x(mean)}
          cy={y(at)}
          r={6}
          fill={paint(at === 0 ? 'paper' : 'metal')}
          stroke={paint('metal')}
          strokeWidth={2}
        />
      ))}
      {after !== undefined && (
        <circle
          cx={x(after)}
          cy={y(means.length)}
          r={6}
          fill="none"
          stroke={paint('metal')}
          strokeWidth={2}
          strokeDasharray="0.1 3.6"
          strokeLinecap="round"
        />
      )}
    </svg>
  );
}
