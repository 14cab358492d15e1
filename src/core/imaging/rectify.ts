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
  const count = samples * samples;
  // Where a cell's samples lie, from its middle to its edge.
  const [right, up] = [new Float64Array(count), new Float64Array(count)];
  for (let sample = 0; sample < count; sample += 1) {
    right[sample] = (2 * (sample % samples) + 1) / samples - 1;
    up[sample] = (2 * Math.floor(sample / samples) + 1) / samples - 1;
  }
  const [halfAcross, halfDown] = [span / 2 / width, span / 2 / height];
  const { data, channels, width: pictureWidth, height: pictureHeight } = picture;
  // Written out: this runs for every sample. Within a cell a picture is stretched evenly, so that it is worked out in full for its middle alone.
  for (let row = 0; row < height; row += 1) {
    const v = ((row + 0.5) / height) * span - pad;
    const [xLine, yLine, wLine] = [b * v + c, e * v + f, h * v + 1];
    for (let column = 0; column < width; column += 1) {
      const u = ((column + 0.5) / width) * span - pad;
      const w = 1 / (g * u + wLine);
      const x = (a * u + xLine) * w;
      const y = (d * u + yLine) * w;
      const xRight = (a - g * x) * w * halfAcross;
      const yRight = (d - g * y) * w * halfAcross;
      const xUp = (b - h * x) * w * halfDown;
      const yUp = (e - h * y) * w * halfDown;
      let r = 0;
      let gr = 0;
      let bl = 0;
      let full = 0;
      for (let sample = 0; sample < count; sample += 1) {
        const px = x + right[sample]! * xRight + up[sample]! * xUp;
        const py = y + right[sample]! * yRight + up[sample]! * yUp;
        const ix = px < 0 ? 0 : px >= pictureWidth ? pictureWidth - 1 : px | 0;
        const iy = py < 0 ? 0 : py >= pictureHeight ? pictureHeight - 1 : py | 0;
        const at = (iy * pictureWidth + ix) * channels;
        const redLevel = data[at]!;
        const greenLevel = data[at + 1]!;
        r += LINEAR[redLevel]!;
        gr += LINEAR[greenLevel]!;
        bl += LINEAR[data[at + 2]!]!;
        if (redLevel >= BLOWN && greenLevel >= BLOWN) full += 1;
      }
      const cell = row * width + column;
      red[cell] = r / count;
      green[cell] = gr / count;
      blue[cell] = bl / count;
      blown[cell] = full / count;
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
