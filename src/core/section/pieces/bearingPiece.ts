import type { Draw } from '@/model/draw';
import type { AxisFrame, Side } from '../frame';
import type { Point } from '../geometry';
import { rectangle } from './gearPiece';
import { onSide } from './revolve';
import { type Area, LEVEL, type Line, type Piece, SPACING, type Tone } from './shapes';

type BearingDraw = Extract<Draw, { shape: 'bearing' }>;

interface Profiled {
  readonly tone: Tone;
  readonly profile: Point[];
  readonly turned?: boolean;
}

/** A bearing by its kind's outline. Those in the case are cut on both sides; needles under a gear only with the gear. */
export function bearingPiece(frame: AxisFrame, from: number, to: number, draw: BearingDraw): Piece {
  const sides: readonly Side[] =
    draw.kind === 'needle' || draw.kind === 'bush' ? frame.cutSides : ['plus', 'minus'];
  const { parts, cross } = OUTLINES[draw.kind](from, to, draw);
  const areas: Area[] = sides.flatMap((side) =>
    parts.map(({ tone, profile, turned }) => ({
      tone,
      points: onSide(frame, profile, side),
      level: tone === 'roller' ? LEVEL.rolling : LEVEL.cut,
      spacing: SPACING.race,
      ...(turned ? { turned } : {}),
    })),
  );
  const lines: Line[] = sides.flatMap((side) =>
    cross.map((line) => ({ kind: 'edge', points: onSide(frame, line, side), level: LEVEL.rolling })),
  );
  return { areas, lines };
}

interface Outline {
  readonly parts: readonly Profiled[];
  /** The cross or axis drawn over a rolling element. */
  readonly cross: readonly (readonly Point[])[];
}

const OUTLINES: Record<BearingDraw['kind'], (from: number, to: number, draw: BearingDraw) => Outline> = {
  ball(from, to, { bore, outer }) {
    const depth = outer - bore;
    const centre: Point = [(from + to) / 2, bore + depth / 2];
    const radius = Math.min(depth * 0.3, (to - from) * 0.42);
    const circle = Array.from({ length: 28 }, (_, index): Point => {
      const angle = (index / 28) * 2 * Math.PI;
      return [centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle)];
    });
    return {
      parts: [
        { tone: 'cut', profile: rectangle(from, to, bore, bore + depth * 0.32) },
        { tone: 'cut', profile: rectangle(from, to, outer - depth * 0.32, outer), turned: true },
        { tone: 'roller', profile: circle },
      ],
      cross: [
        [
          [centre[0] - radius * 0.5, centre[1]],
          [centre[0] + radius * 0.5, centre[1]],
        ],
        [
          [centre[0], centre[1] - radius * 0.5],
          [centre[0], centre[1] + radius * 0.5],
        ],
      ],
    };
  },
  taper(from, to, { bore, outer, opens }) {
    const depth = outer - bore;
    const width = to - from;
    const [low, high] = [bore + depth * 0.4, bore + depth * 0.6];
    const middle = (along: number) => {
      const t = (along - from) / width;
      return opens === 'left' ? high + (low - high) * t : low + (high - low) * t;
    };
    const half = depth * 0.17;
    const [start, end] = [from + width * 0.14, to - width * 0.14];
    const line = (offset: number, a: number, b: number): Point[] => [
      [a, middle(a) + offset],
      [b, middle(b) + offset],
    ];
    return {
      parts: [
        { tone: 'cut', profile: [[from, bore], [to, bore], ...line(-half, from, to).reverse()] },
        {
          tone: 'cut',
          profile: [[from, outer], [to, outer], ...line(half, from, to).reverse()],
          turned: true,
        },
        { tone: 'roller', profile: [...line(-half, start, end), ...line(half, start, end).reverse()] },
      ],
      cross: [line(0, start - width * 0.06, end + width * 0.06)],
    };
  },
  roller(from, to, { bore, outer }) {
    const depth = outer - bore;
    const width = to - from;
    return {
      parts: [
        { tone: 'cut', profile: rectangle(from, to, bore, bore + depth * 0.27) },
        { tone: 'cut', profile: rectangle(from, to, outer - depth * 0.27, outer), turned: true },
        {
          tone: 'roller',
          profile: rectangle(from + width * 0.2, to - width * 0.2, bore + depth * 0.27, outer - depth * 0.27),
        },
      ],
      cross: [
        [
          [from + width * 0.12, bore + depth * 0.5],
          [to - width * 0.12, bore + depth * 0.5],
        ],
      ],
    };
  },
  needle: (from, to, { bore, outer }) => ({
    parts: [{ tone: 'roller', profile: rectangle(from, to, bore, outer) }],
    cross: [
      [
        [from, (bore + outer) / 2],
        [to, (bore + outer) / 2],
      ],
    ],
  }),
  bush: (from, to, { bore, outer }) => ({
    parts: [{ tone: 'cut', profile: rectangle(from, to, bore, outer), turned: true }],
    cross: [],
  }),
};
