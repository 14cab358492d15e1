import { line } from 'd3-shape';
import type { Picture } from '@/core/sound/picture';
import type { HeardRecording } from '@/workers/sound';

/** Paints a recording's picture up to a frequency into a canvas, one dot a cell: ink on paper, as the shift has them. */
export function paintPicture(canvas: HTMLCanvasElement, picture: Picture, top: number): void {
  const rows = Math.max(1, Math.min(picture.rows, Math.round(top / picture.perRow)));
  canvas.width = picture.columns;
  canvas.height = rows;
  const context = canvas.getContext('2d');
  if (!context) return;
  const [paper, ink] = ['paper', 'ink'].map((token) => colourOf(canvas, token)) as [Colour, Colour];
  const image = context.createImageData(picture.columns, rows);
  for (let column = 0; column < picture.columns; column += 1)
    for (let row = 0; row < rows; row += 1) {
      const part = picture.cells[column * picture.rows + row]! / 255;
      const at = 4 * ((rows - 1 - row) * picture.columns + column);
      for (let side = 0; side < 3; side += 1)
        image.data[at + side] = paper[side]! + (ink[side]! - paper[side]!) * part;
      image.data[at + 3] = 255;
    }
  context.putImageData(image, 0, 0);
}

type Colour = readonly [number, number, number];

/** A colour of the theme as three numbers: a canvas of one dot is asked what it makes of it. */
function colourOf(canvas: HTMLCanvasElement, token: string): Colour {
  const dot = document.createElement('canvas').getContext('2d', { willReadFrequently: true });
  if (!dot) return [0, 0, 0];
  dot.fillStyle = getComputedStyle(canvas).getPropertyValue(`--chakra-colors-${token}`).trim() || '#000';
  dot.fillRect(0, 0, 1, 1);
  const [r = 0, g = 0, b = 0] = dot.getImageData(0, 0, 1, 1).data;
  return [r, g, b];
}

/** How a tone runs through the recording where its speed changed, as a path. */
export function courseOf(
  { course, seconds }: Pick<HeardRecording, 'course' | 'seconds'>,
  hz: number,
  x: (second: number) => number,
  y: (hz: number) => number,
): string {
  const marks = course ?? [
    { second: 0, speed: 1 },
    { second: seconds, speed: 1 },
  ];
  return (
    line<(typeof marks)[number]>(
      ({ second }) => x(second),
      ({ speed }) => y(hz * speed),
    )(marks) ?? ''
  );
}
