export type Vec = readonly [number, number, number];

/** What a point of a surface is made of. Colours are linear, 0…1; for metal they are the colour of the reflection. */
export interface Surface {
  r: number;
  g: number;
  b: number;
  /** 0 mirror … 1 dull. */
  rough: number;
  /** 0 painted, oily paper, rust … 1 bare metal. */
  metal: number;
}

/** A scene in centimetres, y up, the bench at y = 0. */
export interface Scene {
  readonly camera: {
    readonly from: Vec;
    readonly at: Vec;
    readonly fieldOfView: number;
    readonly aperture: number;
  };
  /** A lower bound of the distance to the nearest surface. */
  readonly distance: (x: number, y: number, z: number) => number;
  readonly surface: (x: number, y: number, z: number, out: Surface) => void;
  /** Fine relief (machining marks, pits) as a height that tilts the normal only. */
  readonly relief: (x: number, y: number, z: number) => number;
  /** How far the relief changes over, for its slope. */
  readonly reliefStep: number;
  readonly exposure: number;
}

export const STEEL = { r: 0.56, g: 0.57, b: 0.58 } as const;
export const BRASS = { r: 0.78, g: 0.58, b: 0.27 } as const;
export const COPPER = { r: 0.8, g: 0.45, b: 0.3 } as const;

export function paintSurface(
  out: Surface,
  colour: { r: number; g: number; b: number },
  rough: number,
  metal: number,
): void {
  out.r = colour.r;
  out.g = colour.g;
  out.b = colour.b;
  out.rough = rough;
  out.metal = metal;
}
