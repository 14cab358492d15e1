import sharp from 'sharp';
import { blur as blurred } from '@/core/imaging/blur';
import type { Quad, Raster } from '@/core/imaging/raster';
import { chance, smoothNoise } from './noise';
import { ALONG, type Surface, type SurfaceOptions, surfaceOf, UP } from './surface';

/*
 * A photograph of such a surface: two lamps and the sky of the hall, a round or a crowned surface, a lens that bends outwards and
 * darkens at its corners, a sensor whose noise grows with the light, and the sharpening and tone curve of a telephone.
 */

export interface CameraOptions extends SurfaceOptions {
  readonly width?: number;
  readonly height?: number;
  /** A race seen across: it turns away from the light to both sides. 0 for a flat flank. */
  readonly round?: number;
  readonly lampAt?: readonly [number, number];
  /** How hard the first lamp shines back, as a band. */
  readonly shine?: number;
  readonly exposure?: number;
  /** Gaussian blur of a wrong focus, cells of the surface. */
  readonly blur?: number;
  readonly noise?: number;
  readonly quality?: number;
}

export interface Photographed {
  readonly picture: Raster;
  /** Start-lower, end-lower, end-upper, start-upper. */
  readonly region: Quad;
  readonly truth: Surface['truth'];
}

export async function photographCraters(options: CameraOptions): Promise<Photographed> {
  const { seed, width = 960, height = 640, blur = 0, quality = 84 } = options;
  const surface = surfaceOf(options);
  const region = standing(chance(seed * 13 + 5), width, height);
  const sharpLight = shine(options, surface);
  // The lens comes before the sensor: what is out of focus has its noise on top.
  const lit = blur > 0 ? blurred(sharpLight, { width: ALONG, height: UP }, blur) : sharpLight;
  const plane = exposed(options, lit, surface, region, { width, height });
  const shot = sharp(plane, { raw: { width, height, channels: 3 } });
  // As a telephone does: edges are drawn over, with a bright and a dark line along them.
  const jpeg = await shot.sharpen({ sigma: 1.1, m1: 0.4, m2: 1.2 }).jpeg({ quality }).toBuffer();
  const { data, info } = await sharp(jpeg).raw().toBuffer({ resolveWithObject: true });
  const picture: Raster = { width: info.width, height: info.height, channels: 3, data };
  return { picture, region, truth: surface.truth };
}

/** The four corners of the surface in the picture, a little askew. */
function standing(random: () => number, width: number, height: number): Quad {
  const off = (most: number) => (random() - 0.5) * 2 * most;
  const corner = (x: number, y: number) =>
    [x * width + off(0.045) * width, y * height + off(0.05) * height] as const;
  return [corner(0.16, 0.72), corner(0.84, 0.7), corner(0.83, 0.33), corner(0.17, 0.31)] as unknown as Quad;
}

/** What each cell of the surface sends to the camera, 1 a bright matt surface. */
function shine(options: CameraOptions, { depth, reflects }: Surface): Float32Array {
  const { seed, round = 0, lampAt = [0.3, 0.75], shine: hard = 0.25 } = options;
  const uneven = smoothNoise(seed + 501);
  const light = new Float32Array(ALONG * UP);
  for (let up = 0; up < UP; up += 1)
    for (let along = 0; along < ALONG; along += 1) {
      const cell = up * ALONG + along;
      const [x, y] = [along / ALONG, up / UP];
      // The slope of the crater's wall towards the lamp lights one side of it and darkens the other.
      const east = depth[cell]! - (depth[along > 0 ? cell - 1 : cell] ?? 0);
      const north = depth[cell]! - (depth[up > 0 ? cell - ALONG : cell] ?? 0);
      const wall = Math.max(-0.55, Math.min(0.9, 0.3 * ((lampAt[0] - x) * east + (lampAt[1] - y) * north)));
      const turned = round * (y - 0.5) * 2;
      const facing = Math.max(0.12, Math.cos(turned) * (1 - 0.35 * Math.abs(x - lampAt[0])));
      const band =
        hard *
        Math.exp(-(((y - lampAt[1]) / (round > 0 ? 0.13 : 0.45)) ** 2)) *
        (depth[cell]! > 0.5 ? 0.25 : 1);
      const glitter = hard > 0 && uneven(along / 1.3, up / 1.3) > 0.93 ? 0.5 * hard : 0;
      light[cell] =
        reflects[cell]! * (0.28 + 0.72 * facing) * (1 + wall) * (1 + 0.1 * uneven(x * 2, y * 2)) +
        band * 0.45 +
        glitter;
    }
  return light;
}

function exposed(
  options: CameraOptions,
  lit: Float32Array,
  { tint }: Surface,
  region: Quad,
  { width, height }: { readonly width: number; readonly height: number },
): Buffer {
  const { seed, exposure = 0.75, noise = 1 } = options;
  const random = chance(seed * 101 + 9);
  const ground = smoothNoise(seed + 900);
  const inverse = intoSquare(region);
  const warm = [1.06, 1, 0.9] as const;
  const out = Buffer.alloc(width * height * 3);
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      const [dx, dy] = [column / width - 0.5, (row - height / 2) / width];
      const [x, y] = inverse(column, row);
      const inside = x >= 0 && x < 1 && y >= 0 && y < 1;
      const cell = inside ? Math.floor(y * UP) * ALONG + Math.floor(x * ALONG) : -1;
      const corner = 1 - 0.5 * (dx * dx + dy * dy);
      // Beyond the surface: a dark bench, and the rim of the part.
      const rim = x > -0.05 && x < 1.05 && y > -0.12 && y < 1.12;
      const seen = inside ? lit[cell]! : (rim ? 0.3 : 0.09) * (1 + 0.3 * ground(column / 40, row / 40));
      for (let colour = 0; colour < 3; colour += 1) {
        const linear = seen * corner * exposure * warm[colour]! * (inside ? tint[colour]![cell]! : 1);
        const shot =
          linear +
          noise * (random() + random() + random() - 1.5) * (0.008 + 0.022 * Math.sqrt(Math.max(0, linear)));
        out[(row * width + column) * 3 + colour] = 255 * toned(shot);
      }
    }
  return out;
}

/** The tone curve of a telephone: dark lifted a little, bright rolled off. */
function toned(linear: number): number {
  const bright = Math.max(0, linear);
  const rolled = bright < 0.8 ? bright : 0.8 + 0.2 * (1 - Math.exp(-(bright - 0.8) / 0.2));
  return Math.max(0, Math.min(1, rolled)) ** (1 / 2.2);
}

/** From a pixel to the surface, 0 to 1 along and up: the corners joined by straight lines, undone. */
function intoSquare([a, b, c, d]: Quad): (x: number, y: number) => readonly [number, number] {
  const [ex, ey] = [b[0] - a[0], b[1] - a[1]];
  const [fx, fy] = [d[0] - a[0], d[1] - a[1]];
  const [gx, gy] = [a[0] - b[0] + c[0] - d[0], a[1] - b[1] + c[1] - d[1]];
  return (px, py) => {
    const [hx, hy] = [px - a[0], py - a[1]];
    const k2 = gx * fy - gy * fx;
    const k1 = ex * fy - ey * fx + (hx * gy - hy * gx);
    const k0 = hx * ey - hy * ex;
    const root = Math.abs(k2) < 1e-9 ? -k0 / k1 : rootNear(k2, k1, k0);
    const below = ex + gx * root;
    const along = Math.abs(below) > 1e-6 ? (hx - fx * root) / below : (hy - fy * root) / (ey + gy * root);
    return [along, root];
  };
}

function rootNear(k2: number, k1: number, k0: number): number {
  const under = k1 * k1 - 4 * k2 * k0;
  if (under < 0) return -1;
  const [one, other] = [(-k1 + Math.sqrt(under)) / (2 * k2), (-k1 - Math.sqrt(under)) / (2 * k2)];
  return Math.abs(one - 0.5) < Math.abs(other - 0.5) ? one : other;
}
