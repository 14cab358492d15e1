'use client';

import { Box, Flex } from '@chakra-ui/react';
import { type KeyboardEvent, type MouseEvent, useEffect, useRef, useState } from 'react';
import type { HeardRecording } from '@/workers/sound';
import { Press } from '../kit/Press';
import { paint } from '../kit/paint';
import { useWidth } from '../section/useWidth';
import { courseOf, paintPicture } from './paintPicture';

interface SpectrogramProps {
  readonly result: HeardRecording;
  /** Where it is being played. */
  readonly second: number;
  readonly onSecond: (second: number) => void;
  /** Hz of the tone that is in hand. */
  readonly picked: number | undefined;
}

const HEIGHT = 176;
const LEFT = 60;
const BELOW = 22;
const TOPS = [500, 2000];
const SECONDS_A_KEY = 0.5;

/** The recording as a picture, frequency over time, with where it is being played and how the tone in hand runs with the speed. */
export function Spectrogram({ result, second, onSecond, picked }: SpectrogramProps) {
  const { picture, seconds, rate } = result;
  const holder = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const width = useWidth(holder, 860);
  const [top, setTop] = useState(Math.min(2000, rate / 2));
  const [plot, tall] = [Math.max(1, width - LEFT), HEIGHT - BELOW];
  useEffect(() => {
    if (canvas.current) paintPicture(canvas.current, picture, top);
  }, [picture, top]);
  const x = (at: number) => LEFT + (at / seconds) * plot;
  const y = (hz: number) => tall * (1 - hz / top);
  const seek = (event: MouseEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const part = (((event.clientX - box.left) / box.width) * width - LEFT) / plot;
    onSecond(Math.min(seconds, Math.max(0, part * seconds)));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -SECONDS_A_KEY, ArrowRight: SECONDS_A_KEY }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    onSecond(Math.min(seconds, Math.max(0, second + step)));
  };
  const tops = [...TOPS.filter((hz) => hz < rate / 2), rate / 2];
  return (
    <Box>
      <Box
        ref={holder}
        position="relative"
        height={`${HEIGHT}px`}
        cursor="crosshair"
        role="slider"
        tabIndex={0}
        aria-label="Where it is played"
        aria-valuemin={0}
        aria-valuemax={Math.round(seconds)}
        aria-valuenow={Math.round(second)}
        aria-valuetext={`${second.toFixed(1)} seconds`}
        onClick={seek}
        onKeyDown={onKeyDown}
      >
        <canvas
          ref={canvas}
          aria-hidden
          style={{
            position: 'absolute',
            left: LEFT,
            top: 0,
            width: plot,
            height: tall,
            border: `1px solid ${paint('ink')}`,
          }}
        />
        <svg
          viewBox={`0 0 ${width} ${HEIGHT}`}
          width="100%"
          height={HEIGHT}
          style={{ position: 'absolute', inset: 0 }}
          aria-hidden
        >
          {[0, 0.25, 0.5, 0.75].map((part) => (
            <text
              key={part}
              x={LEFT - 6}
              y={y(top * (1 - part)) + 11}
              textAnchor="end"
              style={{ fontSize: 12 }}
              fill={paint('ink')}
            >
              {tellHz(top * (1 - part))}
            </text>
          ))}
          {[0, 0.25, 0.5, 0.75, 1].map((part) => (
            <text
              key={part}
              x={x(part * seconds)}
              y={HEIGHT - 5}
              textAnchor={part === 1 ? 'end' : 'middle'}
              style={{ fontSize: 12 }}
              fill={paint('ink')}
            >
              {(part * seconds).toFixed(seconds < 10 ? 1 : 0)} s
            </text>
          ))}
          {followed(result, picked).map((hz) => (
            <path
              key={hz}
              d={courseOf(result, hz, x, y)}
              fill="none"
              stroke={paint('brass')}
              strokeWidth={hz === picked ? 3 : 1.5}
              strokeDasharray="7 5"
            />
          ))}
          <line x1={x(second)} x2={x(second)} y1={0} y2={tall} stroke={paint('oxide')} strokeWidth="2" />
        </svg>
      </Box>
      <Flex gap="4px" align="center" wrap="wrap" role="group" aria-label="Up to which frequency">
        {tops.map((hz) => (
          <Press key={hz} chosen={hz === top} aria-pressed={hz === top} onClick={() => setTop(hz)}>
            to {tellHz(hz)}
          </Press>
        ))}
        <Box fontSize="13px" color="second" marginLeft="8px">
          {result.clipped && (
            <strong>Its tops are cut off: multiples of what is heard may be made by that. </strong>
          )}
          {tellSpeedHeard(result)}{' '}
          {result.evenedOut && 'The speed wandered and was evened out by the clearest tone.'}
        </Box>
      </Flex>
    </Box>
  );
}

const LIKELY = 0.5;
const FOLLOWED = 3;

/** The tone in hand, and the first ones that are likely an order's: how each runs with the speed. */
function followed({ matches }: HeardRecording, picked: number | undefined): number[] {
  const likely = matches.filter((match) => match.in === 'spectrum' && match.share >= LIKELY);
  const own = [...new Set(likely.map(({ frequency }) => frequency))].slice(0, FOLLOWED);
  return [...new Set(picked === undefined ? own : [...own, picked])];
}

/** How fast the input turned, as its orders tell it; empty where nothing does. */
function tellSpeedHeard({ reference, speedOff, matches }: HeardRecording): string {
  if (reference === undefined || matches.length === 0) return '';
  const off = Math.abs(speedOff * 100);
  const how = off < 0.1 ? 'as said' : `${off.toFixed(1)} % ${speedOff > 0 ? 'faster' : 'slower'} than said`;
  return `The input turned ${(reference * (1 + speedOff)).toFixed(1)} times a second, ${how}.`;
}

const tellHz = (hz: number): string =>
  hz >= 1000 ? `${Number((hz / 1000).toFixed(1))} kHz` : `${Math.round(hz)} Hz`;
