import type { Point } from '../geometry';
import { spread } from './spread';
import { textWidth } from './textWidth';

export type LabelSide = 'top' | 'bottom' | 'left' | 'right';

/** What a label says, before it has a place. */
export interface LabelText {
  readonly positionId: string;
  readonly side: LabelSide;
  /** Low ranks get a place first. */
  readonly rank: number;
  readonly anchor: Point;
  readonly title: string;
  readonly words: string;
  /** Always placed (the part that is open). */
  readonly mustStand: boolean;
  /** The letter of a shim stack, stamped on the leader. */
  readonly badge?: string;
}

export interface PlacedLabel extends LabelText {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly leader: readonly Point[];
}

export interface LabelRegion {
  readonly side: LabelSide;
  /** Along the row or column. */
  readonly from: number;
  readonly to: number;
  /** The row's y, or the column's x. */
  readonly at: number;
}

export const LABEL_HEIGHT = 38;
export const GLYPH_WIDTH = 30;
const GAP = 13;
const COLUMN_GAP = 8;

export const labelWidth = ({ title, words }: Pick<LabelText, 'title' | 'words'>): number =>
  GLYPH_WIDTH + Math.ceil(Math.max(textWidth(title, 15, 650), textWidth(words, 13, 400))) + 4;

/** Places the labels of one row or column: sorted by anchor, as many as fit by rank, spread in order. */
export function placeLabels(texts: readonly LabelText[], region: LabelRegion): PlacedLabel[] {
  const horizontal = region.side === 'top' || region.side === 'bottom';
  const size = (text: LabelText) => (horizontal ? labelWidth(text) : LABEL_HEIGHT);
  const gap = horizontal ? GAP : COLUMN_GAP;
  const along = (text: LabelText) => text.anchor[horizontal ? 0 : 1];
  const kept = whatFits(texts, size, gap, region.to - region.from).sort((a, b) => along(a) - along(b));
  const middles = spread(
    kept.map((text) => ({ wish: along(text), size: size(text) })),
    gap,
    region.from,
    region.to,
  );
  return kept.map((text, index) =>
    horizontal ? inRow(text, middles[index]!, region) : inColumn(text, middles[index]!, region),
  );
}

function whatFits(
  texts: readonly LabelText[],
  size: (text: LabelText) => number,
  gap: number,
  room: number,
): LabelText[] {
  const inOrder = [...texts].sort((a, b) => Number(b.mustStand) - Number(a.mustStand) || a.rank - b.rank);
  const kept: LabelText[] = [];
  let used = -gap;
  for (const text of inOrder) {
    if (used + size(text) + gap > room) continue;
    used += size(text) + gap;
    kept.push(text);
  }
  return kept;
}

/** Down from the label, one slant, straight to the piece. */
function inRow(text: LabelText, middle: number, { side, at }: LabelRegion): PlacedLabel {
  const width = labelWidth(text);
  const x = middle - width / 2;
  const [ax, ay] = text.anchor;
  const foot = x + GLYPH_WIDTH / 2;
  const leader: Point[] =
    side === 'top'
      ? [
          [foot, at + LABEL_HEIGHT],
          [foot, at + LABEL_HEIGHT + 6],
          [ax, at + LABEL_HEIGHT + 22],
          [ax, ay],
        ]
      : [
          [foot, at],
          [foot, at - 6],
          [ax, at - 22],
          [ax, ay],
        ];
  return { ...text, x, y: at, width, height: LABEL_HEIGHT, leader };
}

function inColumn(text: LabelText, middle: number, { side, at }: LabelRegion): PlacedLabel {
  const width = labelWidth(text);
  const x = side === 'left' ? at : at - width;
  const edge = side === 'left' ? x + width + 4 : x - 4;
  const [ax, ay] = text.anchor;
  const toward = side === 'left' ? 1 : -1;
  const reach = Math.abs(ax - edge);
  const knee = edge + toward * Math.max(10, reach - Math.max(24, Math.abs(ay - middle)));
  return {
    ...text,
    x,
    y: middle - LABEL_HEIGHT / 2,
    width,
    height: LABEL_HEIGHT,
    leader: [
      [edge, middle],
      [knee, middle],
      [ax, ay],
    ],
  };
}

const BADGE_FROM_ANCHOR = 26;

/** Where a stack's letter stands: on the last stretch of the leader, clear of the piece. */
export function badgePlace({ leader }: Pick<PlacedLabel, 'leader'>): Point {
  const [kx, ky] = leader.at(-2)!;
  const [ax, ay] = leader.at(-1)!;
  const length = Math.hypot(kx - ax, ky - ay) || 1;
  const t = Math.min(0.5, BADGE_FROM_ANCHOR / length);
  return [ax + (kx - ax) * t, ay + (ky - ay) * t];
}
