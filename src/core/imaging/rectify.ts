import { homographyOf, UNIT_SQUARE } from './homography';
import { LINEAR, type Quad, type Raster } from './raster';

/** A region of a picture looked at squarely: linear light in planes, rows from the region's first side. */
export interface Rectified {
  readonly width: number;
  readonly height: number;
  readonly red: Float32Array;
  readonly green: Float32Array;
  readonly blue: Float32Array;
  /** Share of each cell whose pixels are blown out. */
  readonly blown: Float32Array;
  /** Pixels of the picture along one cell, the coarser way. */
  readonly pixelsPerCell: number;
}

const BLOWN = 250;

/**
 * Looks squarely at a region: each cell is the mean over the pixels that it covers, in linear light.
 * @param quad corners in pixels: (0,0), (1,0), (1,1), (0,1) of the region
 * @param pad how far beyond the region to look on each side, as a share of it
 */
export function rectify(
  picture: Raster,
  quad: Quad,
  { width, height, pad = 0 }: { readonly width: number; readonly height: number; readonly pad?: number },
): Rectified {
  const [a, b, c, d, e, f, g, h] = homographyOf(UNIT_SQUARE, quad);
  const span = 1 + 2 * pad;
  const cells = width * height;
  const [red, green] = [new Float32Array(cells), new Float32Array(cells)];
  const [blue, blown] = [new Float32Array(cells), new Float32Array(cells)];
  const pixelsPerCell = span * Math.max(sideOf(quad, 0, width), sideOf(quad, 1, height));
  // As many samples as a cell has pixels, but no more than it needs to lose the noise.
  const samples = Math.max(1, Math.min(2, Math.round(pixelsPerCell)));
  const share = 1 / (samples * samples);
  const { data, channels, width: pictureWidth, height: pictureHeight } = picture;
  // Written out, what stays the same along a line taken before it: this runs for every sample.
  for (let line = 0; line < height * samples; line += 1) {
    const v = ((line + 0.5) / samples / height) * span - pad;
    const [xLine, yLine, wLine] = [b * v + c, e * v + f, h * v + 1];
    const start = Math.floor(line / samples) * width;
    for (let step = 0; step < width * samples; step += 1) {
      const u = ((step + 0.5) / (samples * width)) * span - pad;
      const w = 1 / (g * u + wLine);
      const x = (a * u + xLine) * w;
      const y = (d * u + yLine) * w;
      const px = x < 0 ? 0 : x >= pictureWidth ? pictureWidth - 1 : x | 0;
      const py = y < 0 ? 0 : y >= pictureHeight ? pictureHeight - 1 : y | 0;
      const at = (py * pictureWidth + px) * channels;
      const redLevel = data[at]!;
      const greenLevel = data[at + 1]!;
      const cell = start + (samples === 2 ? step >> 1 : step);
      red[cell]! += LINEAR[redLevel]! * share;
      green[cell]! += LINEAR[greenLevel]! * share;
      blue[cell]! += LINEAR[data[at + 2]!]! * share;
      if (redLevel >= BLOWN && greenLevel >= BLOWN) blown[cell]! += share;
    }
  }
  return { width, height, red, green, blue, blown, pixelsPerCell };
}

/** Pixels of a cell along the longer of the two opposite sides. */
function sideOf(quad: Quad, side: 0 | 1, cells: number): number {
  const length = (from: number, to: number) =>
    Math.hypot(quad[to]![0] - quad[from]![0], quad[to]![1] - quad[from]![1]);
  const longest = side === 0 ? Math.max(length(0, 1), length(3, 2)) : Math.max(length(1, 2), length(0, 3));
  return longest / cells;
}

/** So many pixels of a picture to one cell say all that its light does. */
const ENOUGH = 1.5;

/**
 * How many pixels may become one, each way, before a region's cells lose anything; at least 1. Where its cells are finest decides: a narrow region has
 * them small across, and one seen askew at its far end.
 */
export function coarserFor(quad: Quad, longest: number): number {
  const { width, height } = gridOf(quad, longest);
  const length = (from: number, to: number) =>
    Math.hypot(quad[to]![0] - quad[from]![0], quad[to]![1] - quad[from]![1]);
  const along = Math.min(length(0, 1), length(3, 2)) / width;
  const across = Math.min(length(1, 2), length(0, 3)) / height;
  return Math.max(1, Math.min(along, across) / ENOUGH);
}

/** A region in the pixels of a picture that was read coarser. */
export const scaledQuad = <Corners extends Quad>(quad: Corners, along: number, down: number): Corners =>
  quad.map(([x, y]) => [x * along, y * down]) as unknown as Corners;

/** Cells that suit a region: as many along its longer side as asked, square in the picture as far as that goes. */
export function gridOf(quad: Quad, longest: number): { readonly width: number; readonly height: number } {
  const across = sideOf(quad, 0, 1);
  const down = sideOf(quad, 1, 1);
  const scale = Math.min(1, longest / Math.max(across, down));
  const size = (pixels: number) => Math.max(32, Math.round(pixels * scale));
  return { width: size(across), height: size(down) };
}
