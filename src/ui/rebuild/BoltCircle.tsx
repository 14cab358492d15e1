import { Box, Flex } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';
import { formatNumber } from '@/core/quantity/format';
import type { BoltTicks } from '@/core/rebuild/boltTicks';
import { typesInto } from '../frame/typesInto';
import { Press } from '../kit/Press';
import { paint } from '../kit/paint';
import { TheWrench, useWrenchInHand } from './TheWrench';

export interface Tick {
  readonly bolt: number;
  readonly stage: number;
  readonly held: boolean;
  /** N·m, as a wrench told it. */
  readonly figure?: number;
}

interface BoltCircleProps {
  readonly bolts: BoltTicks;
  readonly title: string;
  /** Left out for who may not tick. */
  readonly onTick?: (tick: Tick) => void;
  /** A whole round in one word, where that is safe. */
  readonly onRound?: (round: { readonly stage: number; readonly bolts: readonly number[] }) => void;
}

const SIZE = 250;
const R = 92;
const DISC = 17;

/** The bolts as they stand round the flange: which is next in the star, what holds at which stage, what turned and goes out. */
export function BoltCircle({ bolts, title, onTick, onRound }: BoltCircleProps) {
  const { count, stages, next, out, order, rounds, wholeRound } = bolts;
  const value = (stage: number) => stageWords(bolts, stage);
  const held = (bolt: number) =>
    Array.from({ length: rounds }, (_, stage) => holds(bolts, bolt, stage)).filter(Boolean).length;
  const place = (bolt: number): [number, number] => {
    const angle = (2 * Math.PI * bolt) / count - Math.PI / 2;
    const r = count === 1 ? 0 : R;
    return [SIZE / 2 + r * Math.cos(angle), SIZE / 2 + r * Math.sin(angle)];
  };
  const at = next && order.indexOf(next.bolt) + 1;
  const told = [bolts.newBolts ? 'new bolts' : '', bolts.compound, bolts.lock].filter(Boolean);
  const wrench = useWrenchInHand(next && stages[next.stage]);
  const tick = useRef<(held: boolean) => void>(undefined);
  // What a wrench says that can't be trusted with the value is no tick.
  tick.current = wrench.isBarred
    ? undefined
    : next && onTick && ((isHeld) => onTick({ ...next, held: isHeld }));
  const round = useRef<() => void>(undefined);
  round.current =
    next && onRound && wholeRound.length > 1 && !wrench.isBarred
      ? () => onRound({ stage: next.stage, bolts: wholeRound })
      : undefined;
  useEffect(() => {
    const on = (isHeld: boolean) => (event: KeyboardEvent) => {
      if (!typesInto(event.target)) tick.current?.(isHeld);
    };
    return tinykeys(window, {
      ...{ t: on(true), x: on(false) },
      r: (event) => {
        if (!typesInto(event.target)) round.current?.();
      },
    });
  }, []);
  return (
    <Flex gap="16px" wrap="wrap" align="center" data-testid="bolt-circle">
      <svg
        width={SIZE}
        height={SIZE}
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        role="img"
        aria-label={`${title}: ${tellBolts(bolts)}`}
      >
        {count > 1 && (
          <circle
            cx={SIZE / 2}
            cy={SIZE / 2}
            r={R}
            fill="none"
            stroke={paint('rule')}
            strokeDasharray="10 3 2 3"
          />
        )}
        {Array.from({ length: count }, (_, bolt) => {
          const [x, y] = place(bolt);
          const isNext = next?.bolt === bolt;
          const isOut = out.includes(bolt);
          const done = held(bolt) === rounds;
          return (
            <g key={bolt} data-bolt={bolt} data-held={held(bolt)}>
              {isNext && (
                <circle cx={x} cy={y} r={DISC + 6} fill="none" stroke={paint('metal')} strokeWidth={4} />
              )}
              <circle
                cx={x}
                cy={y}
                r={DISC}
                fill={paint(done ? 'blue' : 'paper')}
                stroke={paint(isOut ? 'oxide' : 'ink')}
                strokeWidth={2}
                strokeDasharray={held(bolt) === 0 && !isOut ? '4 3' : undefined}
              />
              {isOut && (
                <path
                  d={`M${x - 10} ${y - 10}L${x + 10} ${y + 10}M${x + 10} ${y - 10}L${x - 10} ${y + 10}`}
                  stroke={paint('oxide')}
                  strokeWidth={2.5}
                />
              )}
              <text
                x={x}
                y={y + 5}
                textAnchor="middle"
                fill={paint(done ? 'onBlue' : 'ink')}
                style={{ fontSize: '15px', fontWeight: 650 }}
              >
                {order.indexOf(bolt) + 1}
              </text>
              {/* One stroke outside of it for each stage that holds. */}
              {Array.from({ length: rounds }, (_, stage) =>
                holds(bolts, bolt, stage) ? (
                  <circle
                    key={stage}
                    cx={x + (stage - (rounds - 1) / 2) * 9}
                    cy={y + DISC + 7}
                    r={3}
                    fill={paint('metal')}
                  />
                ) : null,
              )}
            </g>
          );
        })}
      </svg>
      <Box flex="1 1 220px">
        {next ? (
          <>
            <Box fontSize="20px" fontWeight={650}>
              Bolt {at} of {count}, {value(next.stage)}
            </Box>
            <Box color="second">
              Round {next.stage + 1} of {rounds}
              {next.stage + 1 < rounds ? `, then ${value(next.stage + 1)}` : ', the last'}
              {told.length > 0 && `. ${told.join(', ')}`}
            </Box>
            {bolts.leftHand && <Box fontWeight={650}>Left-hand thread: it tightens the other way round.</Box>}
            {next.stage === stages.length && bolts.plusDeg !== undefined && (
              <Box>
                Mark bolt and flange, then turn on by the angle. A wrench’s figure tells nothing here.
              </Box>
            )}
            {out.length > 0 && (
              <Box color="oxide" fontWeight={650}>
                Turned at its value: {out.map((bolt) => order.indexOf(bolt) + 1).join(', ')}. Out with it, a
                new one in, and its rounds again.
              </Box>
            )}
            {onTick && next.stage < stages.length && (
              <TheWrench
                value={stages[next.stage]!}
                inHand={wrench}
                pull={{
                  bolt: order.indexOf(next.bolt),
                  bolts: count,
                  isLast: next.stage === stages.length - 1,
                }}
                onPull={({ peak, turned }) => onTick({ ...next, held: !turned, figure: peak })}
              />
            )}
            {onTick && (
              <Flex gap="8px" wrap="wrap" marginTop="8px">
                <Press
                  kind="main"
                  size="bench"
                  disabled={wrench.isBarred}
                  onClick={() => onTick({ ...next, held: true })}
                >
                  {next.stage < stages.length ? `Holds at ${value(next.stage)}` : value(next.stage)} (T)
                </Press>
                <Press
                  kind="danger"
                  size="bench"
                  disabled={wrench.isBarred}
                  onClick={() => onTick({ ...next, held: false })}
                >
                  Still turns (X)
                </Press>
                {round.current && (
                  <Press size="bench" onClick={() => round.current?.()}>
                    {wholeRound.length === count ? `All ${count}` : `The other ${wholeRound.length}`} hold at{' '}
                    {value(next.stage)} (R)
                  </Press>
                )}
              </Flex>
            )}
          </>
        ) : (
          <Box fontWeight={650}>
            {bolts.lock ? `Every bolt holds; ${bolts.lock}.` : `Every bolt holds at ${value(rounds - 1)}.`}
          </Box>
        )}
        <WhoTicked bolts={bolts} />
      </Box>
    </Flex>
  );
}

/** What a round asks of each bolt: a torque, the angle that comes after the last of them, or its lock. */
function stageWords({ stages, plusDeg, lock }: BoltTicks, stage: number): string {
  if (stages[stage] !== undefined) return `${formatNumber(stages[stage], 0)} N·m`;
  return plusDeg !== undefined && stage === stages.length ? `${formatNumber(plusDeg, 0)}° further` : lock;
}

const holds = ({ ticks }: BoltTicks, bolt: number, stage: number): boolean =>
  ticks.some((tick) => tick.bolt === bolt && tick.stage === stage && tick.held);

function WhoTicked({ bolts: { ticks } }: { readonly bolts: BoltTicks }) {
  const names = [...new Set(ticks.map(({ by }) => by))];
  return names.length === 0 ? null : (
    <Box fontSize="13px" color="second">
      {ticks.length} ticks by {names.join(' and ')}
    </Box>
  );
}

/** The circle in words. */
function tellBolts(bolts: BoltTicks): string {
  const { count, next, out, order } = bolts;
  if (!next) return `all ${count} bolts hold at their value`;
  const where = `next is bolt ${order.indexOf(next.bolt) + 1} of ${count} at ${stageWords(bolts, next.stage)}`;
  return out.length > 0 ? `${where}; ${out.length} turned at their value` : where;
}
