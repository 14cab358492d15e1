import { chance, smoothNoise } from './noise';

/*
 * A surface as a field of heights and of how much it throws back, 0 to 1 along and up: craters eaten out of it, machining, and
 * what lies on it. Another road to a damaged flank than the demonstration's own renderer, which draws outlines.
 */

export const ALONG = 640;
export const UP = 240;
export type Finish = 'ground' | 'honed' | 'lapped';

export interface SurfaceOptions {
  readonly seed: number;
  /** Share of the surface that is eaten, about; 0 for a sound one. */
  readonly eaten: number;
  /** Single craters, a few heaps of them, or a band along the middle. */
  readonly spread: 'single' | 'heaps' | 'band';
  readonly finish: Finish;
  /** How dark a crater's floor is, as a share of the surface. */
  readonly floor: number;
  readonly stains?: number;
  readonly rust?: number;
  readonly oil?: number;
  readonly paint?: boolean;
}

export interface Surface {
  /** Depth below the surface, cells. */
  readonly depth: Float32Array;
  readonly reflects: Float32Array;
  /** Red, green and blue of what is thrown back, as shares. */
  readonly tint: readonly [Float32Array, Float32Array, Float32Array];
  readonly truth: { readonly areaFraction: number };
}

/** Deeper than this counts as eaten, cells. */
const EATEN = 0.5;

export function surfaceOf(options: SurfaceOptions): Surface {
  const depth = eatenInto(options);
  const reflects = new Float32Array(ALONG * UP);
  const tint = [0, 1, 2].map(() => new Float32Array(ALONG * UP)) as unknown as Surface['tint'];
  const { seed, finish, floor, stains = 0, rust = 0, oil = 0, paint = false } = options;
  const [lines, fine, blotch, grain, film, brown] = [1, 2, 3, 4, 5, 6].map((n) =>
    smoothNoise(seed * 31 + n),
  ) as [Noise, Noise, Noise, Noise, Noise, Noise];
  let eaten = 0;
  for (let up = 0; up < UP; up += 1)
    for (let along = 0; along < ALONG; along += 1) {
      const cell = up * ALONG + along;
      const hole = Math.min(1, depth[cell]! / (2 * EATEN));
      eaten += depth[cell]! > EATEN ? 1 : 0;
      const machined = paint ? 0 : machining(finish, along, up, lines, fine);
      const sound = (paint ? 0.35 : 0.62) * (1 + machined) * (1 + 0.06 * blotch(along / 90, up / 60));
      // A floor throws back little, and unevenly; here and there a facet of the break shines.
      const facet = grain(along / 3.1, up / 2.7) > 0.86 ? 1.7 : 1;
      const bottom =
        0.62 *
        floor *
        (1 +
          0.4 * grain((along + up) / 6.3, (up - along / 2) / 4.1) +
          0.35 * blotch((along - up) / 17, up / 11)) *
        facet;
      const stain = stains * ramp(blotch(along / 55 + 9, up / 45), 0.15, 0.7) * 0.45;
      const wet = oil * ramp(film(along / 140, up / 120), -0.3, 0.2) * 0.42;
      const rusty =
        rust *
        ramp(
          brown((along + up) / 36, (up - along / 3) / 30) +
            0.5 * brown((along + 2 * up) / 11, (up - along) / 9),
          0.05,
          0.6,
        );
      reflects[cell] = (sound * (1 - hole) + bottom * hole) * (1 - stain) * (1 - wet) * (1 - 0.45 * rusty);
      tint[0]![cell] = 1 - 0.05 * stain + 0.1 * rusty;
      tint[1]![cell] = (1 - 0.12 * stain - 0.3 * rusty) * (paint ? 0.7 : 1);
      tint[2]![cell] = (1 - 0.3 * stain - 0.6 * rusty) * (paint ? 0.45 : 1);
    }
  return { depth, reflects, tint, truth: { areaFraction: eaten / (ALONG * UP) } };
}

type Noise = (x: number, y: number) => number;

function machining(finish: Finish, along: number, up: number, lines: Noise, fine: Noise): number {
  if (finish === 'ground') return 0.11 * lines(along / 210, up / 1.6) + 0.06 * fine(along / 60, up / 3.7);
  if (finish === 'honed')
    return (
      0.09 * lines((along + 2 * up) / 70, (up - along / 2) / 1.4) +
      0.09 * fine((along - 2 * up) / 70, (up + along / 2) / 1.4)
    );
  return 0.05 * lines(along / 2.2, up / 2.2) + 0.03 * fine(along / 7, up / 7);
}

/** Craters eaten one after the other until the share is reached: each a lopsided bowl with a ragged rim. */
function eatenInto({ seed, eaten, spread }: SurfaceOptions): Float32Array {
  const depth = new Float32Array(ALONG * UP);
  const random = chance(seed * 7919 + 3);
  const ragged = smoothNoise(seed + 77);
  const heaps = Array.from(
    { length: 2 + Math.floor(random() * 3) },
    () => [0.12 + 0.76 * random(), 0.2 + 0.6 * random()] as const,
  );
  const wanted = eaten * ALONG * UP;
  for (let done = 0, tries = 0; done < wanted && tries < 4000; tries += 1) {
    const left = Math.sqrt((wanted - done) / Math.PI);
    const usual =
      spread === 'single' ? 5 + 11 * random() : 4 + 26 * random() ** 2.2 * Math.min(1.6, 0.5 + eaten * 4);
    const radius = Math.max(3.2, Math.min(usual, 1.15 * left));
    const [along, up] = middleOf(tries > 250 && eaten > 0.4 ? 'single' : spread, heaps, random);
    done += bowl(
      depth,
      { along: along * ALONG, up: up * UP, radius, squash: 0.6 + 0.7 * random(), turn: random() * Math.PI },
      ragged,
    );
  }
  return depth;
}

function middleOf(
  spread: SurfaceOptions['spread'],
  heaps: readonly (readonly [number, number])[],
  random: () => number,
): readonly [number, number] {
  const bell = () => (random() + random() + random() - 1.5) / 1.5;
  if (spread === 'single') return [0.06 + 0.88 * random(), 0.1 + 0.8 * random()];
  if (spread === 'band') return [0.08 + 0.84 * random(), 0.5 + 0.22 * bell()];
  const [along, up] = heaps[Math.floor(random() * heaps.length)]!;
  return [along + 0.13 * bell(), up + 0.3 * bell()];
}

interface Bowl {
  readonly along: number;
  readonly up: number;
  readonly radius: number;
  readonly squash: number;
  readonly turn: number;
}

/** Answers how many cells it ate that were whole before. */
function bowl(depth: Float32Array, { along, up, radius, squash, turn }: Bowl, ragged: Noise): number {
  let fresh = 0;
  const reach = Math.ceil(radius * 1.7);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  for (let y = Math.max(0, Math.floor(up) - reach); y <= Math.min(UP - 1, up + reach); y += 1)
    for (let x = Math.max(0, Math.floor(along) - reach); x <= Math.min(ALONG - 1, along + reach); x += 1) {
      const [dx, dy] = [x - along, y - up];
      const [u, w] = [(cos * dx + sin * dy) / squash ** 0.5, (cos * dy - sin * dx) * squash ** 0.5];
      const rim =
        radius *
        (1 +
          0.28 * ragged(x / (0.45 * radius + 2), y / (0.45 * radius + 2)) +
          0.12 * ragged(x / 2.3, y / 2.3));
      const inside = 1 - Math.hypot(u, w) / rim;
      if (inside <= 0) continue;
      // Steep at the rim, flat on the floor.
      const down = Math.min(1, inside * rim * 0.55) * (1.2 + 0.12 * radius);
      const cell = y * ALONG + x;
      if (depth[cell]! <= EATEN && down > EATEN) fresh += 1;
      if (down > depth[cell]!) depth[cell] = down;
    }
  return fresh;
}

const ramp = (value: number, none: number, full: number) =>
  Math.max(0, Math.min(1, (value - none) / (full - none)));
