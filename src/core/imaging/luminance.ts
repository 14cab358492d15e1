import type { Size } from './planes';
import { LINEAR, type Raster } from './raster';

export interface Plane extends Size {
  readonly light: Float32Array;
  /** Pixels of the picture along one cell. */
  readonly step: number;
}

/** A picture made small for looking over: linear light, each cell the mean of the pixels it covers, at most so many along the longer side. */
export function smallLight(picture: Raster, longest: number): Plane {
  const step = Math.max(1, Math.max(picture.width, picture.height) / longest);
  const width = Math.max(1, Math.floor(picture.width / step));
  const height = Math.max(1, Math.floor(picture.height / step));
  const light = new Float32Array(width * height);
  // A few pixels of each cell are enough to lose the noise.
  const samples = Math.min(3, Math.max(1, Math.round(step)));
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      let sum = 0;
      for (let sample = 0; sample < samples * samples; sample += 1) {
        const x = Math.floor((column + ((sample % samples) + 0.5) / samples) * step);
        const y = Math.floor((row + (Math.floor(sample / samples) + 0.5) / samples) * step);
        sum += lightAt(picture, x, y);
      }
      light[row * width + column] = sum / (samples * samples);
    }
  return { width, height, light, step };
}

/** Linear light of a pixel, the three colours alike; beyond the picture its nearest pixel. */
export function lightAt({ data, channels, width, height }: Raster, x: number, y: number): number {
  const px = x < 0 ? 0 : x >= width ? width - 1 : x | 0;
  const py = y < 0 ? 0 : y >= height ? height - 1 : y | 0;
  const at = (py * width + px) * channels;
  return (LINEAR[data[at]!]! + LINEAR[data[at + 1]!]! + LINEAR[data[at + 2]!]!) / 3;
}
