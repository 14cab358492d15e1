import { blur } from './blur';
import { convexHull, largestQuad, rowEnds } from './hull';
import { blobsOf, close, fillHoles, open } from './masks';
import { otsu } from './pattern/compound';
import { quantile, type Size, sampled } from './planes';
import { LINEAR, type Quad, type Raster } from './raster';

const LOOKED_OVER = 320;
/** A painted flank takes at least this share of a picture that was taken of it. */
const LEAST = 0.015;
const EDGE = 0.08;

/**
 * Corners of the painted flank as a first proposal: the largest region whose colour differs most from what lies along the edge of
 * the picture, bridged over the bare patch inside it. Which end is the toe can't be seen in a picture: the corners begin at the lower left.
 * Undefined where no coloured region is large enough.
 */
export function proposeFlank(picture: Raster): Quad | undefined {
  const { colour, size, step } = colourfulness(picture);
  const smoothed = blur(colour, size, 1.2);
  const limit = otsu(sampled(smoothed.length).map((cell) => smoothed[cell]!));
  const short = Math.min(size.width, size.height);
  const painted = open(
    Uint8Array.from(smoothed, (value) => (value > limit ? 1 : 0)),
    size,
    0.008 * short,
  );
  const whole = fillHoles(close(painted, size, 0.09 * short), size);
  const { labels, areas } = blobsOf(open(whole, size, 0.04 * short), size);
  const largest = areas.reduce(
    (best, area, label) => (label > 0 && area > (areas[best] ?? 0) ? label : best),
    0,
  );
  if (largest === 0 || areas[largest]! < LEAST * labels.length) return undefined;
  const mask = Uint8Array.from(labels, (label) => (label === largest ? 1 : 0));
  const quad = largestQuad(convexHull(rowEnds(mask, size)));
  return (
    quad &&
    fromLowerLeft(quad.map(([x, y]) => [(x + 0.5) * step, (y + 0.5) * step] as const) as unknown as Quad)
  );
}

/** How far each cell's colour lies from the usual one along the picture's edge, whatever its brightness. */
function colourfulness(picture: Raster): {
  readonly colour: Float32Array;
  readonly size: Size;
  readonly step: number;
} {
  const step = Math.max(1, Math.max(picture.width, picture.height) / LOOKED_OVER);
  const size = { width: Math.floor(picture.width / step), height: Math.floor(picture.height / step) };
  const red = new Float32Array(size.width * size.height);
  const blue = new Float32Array(red.length);
  for (let row = 0; row < size.height; row += 1)
    for (let column = 0; column < size.width; column += 1) {
      const at =
        (Math.floor((row + 0.5) * step) * picture.width + Math.floor((column + 0.5) * step)) *
        picture.channels;
      const [r, g, b] = [0, 1, 2].map((channel) => LINEAR[picture.data[at + channel]!]! + 0.012) as [
        number,
        number,
        number,
      ];
      red[row * size.width + column] = r / (r + g + b);
      blue[row * size.width + column] = b / (r + g + b);
    }
  const edge = sampled(red.length, red.length).filter((cell) => {
    const [x, y] = [(cell % size.width) / size.width, Math.floor(cell / size.width) / size.height];
    return Math.min(x, 1 - x, y, 1 - y) < EDGE;
  });
  const usual = (plane: Float32Array) =>
    quantile(
      edge.map((cell) => plane[cell]!),
      0.5,
    );
  const [r0, b0] = [usual(red), usual(blue)];
  return { colour: red.map((value, cell) => Math.hypot(value - r0, blue[cell]! - b0)), size, step };
}

/** Lower left, lower right, upper right, upper left: the order of toe-root, heel-root, heel-top, toe-top of an upright tooth. */
export function fromLowerLeft(quad: Quad): Quad {
  const [cx, cy] = [0, 1].map((axis) => quad.reduce((sum, corner) => sum + corner[axis]!, 0) / 4) as [
    number,
    number,
  ];
  // Counter-clockwise as one sees it, from the longer pair of sides lying level.
  const round = [...quad].sort((a, b) => Math.atan2(b[1] - cy, b[0] - cx) - Math.atan2(a[1] - cy, a[0] - cx));
  const side = (index: number) => {
    const [a, b] = [round[index % 4]!, round[(index + 1) % 4]!];
    return { length: Math.hypot(b[0] - a[0], b[1] - a[1]), low: a[1] + b[1] };
  };
  const long = side(0).length + side(2).length >= side(1).length + side(3).length ? 0 : 1;
  const first = side(long).low >= side(long + 2).low ? long : long + 2;
  return [0, 1, 2, 3].map((index) => round[(first + index) % 4]!) as unknown as Quad;
}
