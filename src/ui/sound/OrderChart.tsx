'use client';

import { Box, Flex } from '@chakra-ui/react';
import { type KeyboardEvent, type MouseEvent, useMemo, useRef, useState } from 'react';
import type { HeardRecording } from '@/workers/sound';
import { Press } from '../kit/Press';
import { paint } from '../kit/paint';
import { useWidth } from '../section/useWidth';
import { lineThrough, moved, nearer, type Ranged } from './ranged';

interface OrderChartProps {
  readonly result: HeardRecording;
  readonly picked: number | undefined;
  readonly onPick: (hz: number) => void;
}

const HEIGHT = 190;
const LEFT = 56;
const BELOW = 24;
const ABOVE = 26;
const LABELS = 8;
/** A finger's breadth to either side. */
const WITHIN_PX = 24;
/** Hz: an envelope tells nothing above. */
const SHOWN_AT_FIRST = 2000;

/** What stands over the noise nearby, by frequency or by turns of the input; what was matched carries its order. */
export function OrderChart({ result, picked, onPick }: OrderChartProps) {
  const [which, setWhich] = useState<'spectrum' | 'envelope'>('spectrum');
  const holder = useRef<HTMLDivElement>(null);
  const width = useWidth(holder, 860);
  const { step, levels } = result[which];
  const whole = useMemo<Ranged>(() => ({ from: 0, to: step * levels.length }), [step, levels]);
  const [range, setRange] = useState<Ranged>();
  const shown = range ?? { from: 0, to: Math.min(whole.to, SHOWN_AT_FIRST) };
  const { reference } = result;
  const [plot, floor] = [Math.max(1, width - LEFT - 8), HEIGHT - BELOW];
  const x = (hz: number) => LEFT + ((hz - shown.from) / (shown.to - shown.from)) * plot;
  const peaks = marksOf(result, which).filter(({ hz }) => hz >= shown.from && hz <= shown.to);
  const most = Math.max(20, ...peaks.map(({ level }) => level));
  const y = (level: number) => floor - (Math.max(0, Math.min(most, level)) / most) * (floor - ABOVE);
  const pickNearest = (event: MouseEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const at = ((event.clientX - box.left) / box.width) * width;
    const [near] = [...peaks].sort((a, b) => Math.abs(x(a.hz) - at) - Math.abs(x(b.hz) - at));
    if (near && Math.abs(x(near.hz) - at) <= WITHIN_PX) onPick(near.hz);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const acts: Readonly<Record<string, () => Ranged>> = {
      '+': () => nearer(shown, 0.5, whole, picked),
      '-': () => nearer(shown, 2, whole, picked),
      ArrowLeft: () => moved(shown, -0.25, whole),
      ArrowRight: () => moved(shown, 0.25, whole),
      '0': () => whole,
    };
    const next = acts[event.key]?.();
    if (!next) return;
    event.preventDefault();
    setRange(next);
  };
  return (
    <Box marginTop="12px" data-testid="order-chart">
      <Flex gap="4px" wrap="wrap" role="group" aria-label="What is shown, and how near" marginBottom="4px">
        <Press
          chosen={which === 'spectrum'}
          aria-pressed={which === 'spectrum'}
          onClick={() => {
            setWhich('spectrum');
            setRange(undefined);
          }}
        >
          Tones
        </Press>
        <Press
          chosen={which === 'envelope'}
          aria-pressed={which === 'envelope'}
          onClick={() => {
            setWhich('envelope');
            setRange(undefined);
          }}
        >
          How it beats
        </Press>
        <Box width="12px" />
        <Press aria-label="Nearer" onClick={() => setRange(nearer(shown, 0.5, whole, picked))}>
          +
        </Press>
        <Press aria-label="Wider" onClick={() => setRange(nearer(shown, 2, whole, picked))}>
          −
        </Press>
        <Press aria-label="Lower" onClick={() => setRange(moved(shown, -0.25, whole))}>
          ◂
        </Press>
        <Press aria-label="Higher" onClick={() => setRange(moved(shown, 0.25, whole))}>
          ▸
        </Press>
        <Press onClick={() => setRange(whole)}>All of it</Press>
      </Flex>
      <Box ref={holder} onClick={pickNearest} cursor="pointer">
        <svg
          viewBox={`0 0 ${width} ${HEIGHT}`}
          width="100%"
          height={HEIGHT}
          // biome-ignore lint/a11y/noNoninteractiveTabindex: the keys that come nearer and move along are taken here.
          tabIndex={0}
          role="img"
          aria-label={`${which === 'spectrum' ? 'Tones' : 'Beats'} over the noise nearby, ${Math.round(shown.from)} to ${Math.round(shown.to)} Hz; ${peaks.length} stand out`}
          onKeyDown={onKeyDown}
        >
          {[0, 10, 20, 30, 40]
            .filter((level) => level <= most)
            .map((level) => (
              <g key={level}>
                <line x1={LEFT} x2={width - 8} y1={y(level)} y2={y(level)} stroke={paint('rule')} />
                <text
                  x={LEFT - 6}
                  y={y(level) + 4}
                  textAnchor="end"
                  style={{ fontSize: 12 }}
                  fill={paint('ink')}
                >
                  {level} dB
                </text>
              </g>
            ))}
          <path
            d={lineThrough(levels, step, shown, x, y)}
            fill="none"
            stroke={paint('ink')}
            strokeWidth="1"
          />
          {[0, 0.25, 0.5, 0.75, 1].map((part) => {
            const hz = shown.from + part * (shown.to - shown.from);
            return (
              <text
                key={part}
                x={x(hz)}
                y={HEIGHT - 6}
                textAnchor={part === 1 ? 'end' : 'middle'}
                style={{ fontSize: 12 }}
                fill={paint('ink')}
              >
                {Math.round(hz)} Hz{reference ? ` · ${(hz / reference).toFixed(1)} ×` : ''}
              </text>
            );
          })}
          {peaks.map(({ hz, level, order, isMains }, index) => (
            <g key={hz}>
              <line
                x1={x(hz)}
                x2={x(hz)}
                y1={y(level)}
                y2={floor}
                stroke={paint(order ? 'blue' : 'second')}
                strokeWidth={hz === picked ? 4 : 2}
                strokeDasharray={isMains ? '2 3' : undefined}
              />
              <circle
                cx={x(hz)}
                cy={y(level)}
                r={hz === picked ? 6 : 4}
                fill={paint(order ? 'blue' : 'paper')}
                stroke={paint(order ? 'blue' : 'second')}
                strokeWidth="1.5"
              />
              {(index < LABELS || hz === picked) && (
                <text
                  x={x(hz)}
                  y={y(level) - 8}
                  textAnchor="middle"
                  style={{ fontSize: 12 }}
                  fontWeight={hz === picked ? 650 : 400}
                  fill={paint('ink')}
                >
                  {order ? `${Number(order.toFixed(2))} ×` : isMains ? 'mains' : ''}
                </text>
              )}
            </g>
          ))}
        </svg>
      </Box>
    </Box>
  );
}

interface Mark {
  readonly hz: number;
  readonly level: number;
  /** Of the likeliest match; undefined for what nothing explains. */
  readonly order: number | undefined;
  readonly isMains: boolean;
}

/** The highest first, each tone once. */
function marksOf({ matches, unmatched }: HeardRecording, which: 'spectrum' | 'envelope'): Mark[] {
  const marks = new Map<number, Mark>();
  for (const { frequency, level, order, in: where } of matches)
    if (where === which && !marks.has(frequency))
      marks.set(frequency, { hz: frequency, level, order, isMains: false });
  if (which === 'spectrum')
    for (const { frequency, level, isMains } of unmatched)
      marks.set(frequency, { hz: frequency, level, order: undefined, isMains });
  return [...marks.values()].sort((a, b) => b.level - a.level);
}
