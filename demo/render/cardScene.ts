import { homographyOf, project } from '@/core/imaging/homography';
import type { Point, Quad } from '@/core/imaging/raster';
import { printedAt, SCALE_CARD } from '@/core/imaging/scaleCard';
import { develop } from './develop';
import { figuresFrom } from './flank';
import { layered, mix, seededNoise, smooth } from './noise';

/** A flat ring on the bench, millimetres in the plane of the card, whose first corner is the origin. */
export interface FlatRing {
  readonly at: Point;
  readonly outer: number;
  readonly inner: number;
}

export interface CardScene {
  readonly seed: number;
  readonly width: number;
  readonly height: number;
  /** Where the card's corners come to lie in the picture, first the one beside the black square. */
  readonly card: Quad;
  readonly rings: readonly FlatRing[];
  readonly glare?: number;
  readonly shadow?: number;
  readonly blur?: number;
}

/** Thrust washers beside the printed scale card on an oily bench, from a hand-held camera: eight-bit sRGB, three channels. */
export function renderCardScene(scene: CardScene): Uint8Array {
  const { width, height, card, seed, blur = 0.7 } = scene;
  const { width: cardWidth, height: cardHeight } = SCALE_CARD;
  const back = homographyOf(card, [
    [0, 0],
    [cardWidth, 0],
    [cardWidth, cardHeight],
    [0, cardHeight],
  ]);
  const look = lookOf(scene);
  const light = new Float32Array(width * height * 3);
  // Four samples in a pixel: edges fall between pixels, as they do before a camera.
  const offsets = [0.25, 0.75];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      // The bench changes slowly: once for a pixel is enough.
      const ground = look.groundAt(...project(back, x + 0.5, y + 0.5));
      for (const dy of offsets)
        for (const dx of offsets) {
          const [mx, my] = project(back, x + dx, y + dy);
          const colour = look.at(mx, my, x / width, y / height, ground);
          const at = (y * width + x) * 3;
          for (let channel = 0; channel < 3; channel += 1) light[at + channel]! += colour[channel]! / 4;
        }
    }
  return develop(light, { width, height, seed, blur, grain: 1 });
}

function lookOf({ seed, rings, glare = 0, shadow = 0 }: CardScene) {
  const noise = seededNoise(seed);
  const random = figuresFrom(seed + 77);
  const lamp: Point = [random() * 120 - 20, random() * 90 - 20];
  const shadowAt = 0.3 + 0.4 * random();
  const result: [number, number, number] = [0, 0, 0];
  const groundAt = (x: number, y: number): readonly [number, number, number] => {
    const board = 0.13 + 0.1 * layered(noise, x * 0.05, y * 0.2, 2, 3);
    const oil = smooth(0.55, 0.7, layered(noise, x * 0.03, y * 0.03, 9, 2));
    return [
      mix(board * 1.15, board * 0.5, oil),
      mix(board, board * 0.42, oil),
      mix(board * 0.8, board * 0.3, oil),
    ];
  };
  const at = (
    x: number,
    y: number,
    px: number,
    py: number,
    ground: readonly [number, number, number],
  ): readonly [number, number, number] => {
    const lit =
      (0.85 + 0.3 * (1 - py)) * (1 - shadow * 0.6 * smooth(shadowAt - 0.03, shadowAt + 0.03, px + 0.3 * py));
    const shine = glare * 0.5 * Math.exp(-(((x - lamp[0]) / 14) ** 2) - ((y - lamp[1]) / 9) ** 2);
    const ring = rings.find(({ at, outer, inner }) => {
      const away = Math.hypot(x - at[0], y - at[1]);
      return away <= outer / 2 && away >= inner / 2;
    });
    const { width, height } = SCALE_CARD;
    if (ring) {
      // Turned face: fine circles.
      const away = Math.hypot(x - ring.at[0], y - ring.at[1]);
      const line = 0.8 + 0.4 * noise(away * 9, 3, 5);
      set(result, 0.42 * line, 0.42 * line, 0.43 * line, lit, shine * 1.5);
    } else if (x >= -3 && y >= -3 && x <= width + 3 && y <= height + 3) {
      const inside = x >= 0 && y >= 0 && x <= width && y <= height;
      const print = inside ? (printedAt(x, y) ?? wordsAt(x, y)) : 1;
      const paper = print ? 0.72 : 0.03;
      set(result, paper, paper * 0.985, paper * 0.95, lit, shine * (print ? 0.3 : 0.6));
    } else set(result, ...ground, lit, shine);
    return result;
  };
  return { groundAt, at };
}

/** Lines of words and a ruler's marks on the card, as grey bars. */
const wordsAt = (x: number, y: number): 0 | 1 =>
  (y > 22 && y < 24 && x > 22 && x < 64) || (y > 36 && y < 40 && x > 22 && x < 72 && x % 10 < 0.5) ? 0 : 1;

function set(
  to: [number, number, number],
  r: number,
  g: number,
  b: number,
  lit: number,
  shine: number,
): void {
  to[0] = r * lit + shine;
  to[1] = g * lit + shine;
  to[2] = b * lit + shine;
}
