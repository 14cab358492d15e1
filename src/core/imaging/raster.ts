/** A decoded picture: upright, sRGB, eight bits a channel, rows from the top, red first. */
export interface Raster {
  readonly width: number;
  readonly height: number;
  /** 3 for RGB, 4 for RGBA as a canvas gives it; alpha is not looked at. */
  readonly channels: 3 | 4;
  readonly data: Uint8Array | Uint8ClampedArray;
}

/** A point of a picture in pixels, from the left and from the top. */
export type Point = readonly [x: number, y: number];
/** Four corners of a plane region, one after the other round it. */
export type Quad = readonly [Point, Point, Point, Point];

/** Linear light for each of the 256 levels of sRGB, 0…1 (IEC 61966-2-1). */
export const LINEAR: Float32Array = Float32Array.from({ length: 256 }, (_, level) => {
  const value = level / 255;
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
});
