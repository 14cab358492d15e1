import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { homographyOf, project } from '@/core/imaging/homography';
import { measureInPlane } from '@/core/imaging/planeMeasures';
import type { Point, Raster } from '@/core/imaging/raster';
import { findScaleCard, SCALE_CARD } from '@/core/imaging/scaleCard';
import { type CardScene, renderCardScene } from '../../../demo/render/cardScene';
import { figuresFrom } from '../../../demo/render/flank';
import { paintedFlank } from '../../../demo/render/flankSeries';
import { photographed, seeds } from './pictures';

/* The truth: where the renderer's own camera puts the card and the places of its plane. */

const [WIDTH, HEIGHT] = [640, 480];

/** A card on the bench from a hand-held camera, turned any way round, in perspective, under glare and shadow. */
function cardScene(seed: number): CardScene {
  const random = figuresFrom(seed + 52_000);
  const turn = random() * 2 * Math.PI;
  const near = 2.4 + 1.4 * random();
  const [cx, cy] = [WIDTH * (0.38 + 0.24 * random()), HEIGHT * (0.38 + 0.24 * random())];
  const [px, py] = [0.0015 * (random() - 0.5), 0.0015 * (random() - 0.5)];
  const at = (x: number, y: number): Point => {
    const [dx, dy] = [(x - 40) * near, (y - 25) * near * 0.85];
    const [u, v] = [dx * Math.cos(turn) - dy * Math.sin(turn), dx * Math.sin(turn) + dy * Math.cos(turn)];
    const w = 1 + px * u + py * v;
    return [cx + u / w, cy + v / w];
  };
  return {
    ...{ seed, width: WIDTH, height: HEIGHT, glare: 0.7 * random(), shadow: random() },
    card: [at(0, 0), at(80, 0), at(80, 50), at(0, 50)],
    rings: [{ at: [112, 20], outer: 40, inner: 22 }],
  };
}

async function pictureOf(scene: CardScene): Promise<Raster> {
  const { width, height } = scene;
  const jpeg = await sharp(Buffer.from(renderCardScene(scene)), { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 80 })
    .toBuffer();
  return { width, height, channels: 3, data: await sharp(jpeg).raw().toBuffer() };
}

describe('the scale card', () => {
  it('is found with the right way round, and lengths beside it are true within 1 %', async () => {
    const missed: number[] = [];
    for (const seed of seeds(6001, 8)) {
      const scene = cardScene(seed);
      const found = findScaleCard(await pictureOf(scene));
      if (!found) {
        missed.push(seed);
        continue;
      }
      found.corners.forEach(([x, y], index) => {
        const [tx, ty] = scene.card[index]!;
        expect(Math.hypot(x - tx, y - ty), `corner ${index} of ${seed}`).toBeLessThan(1.5);
      });
      const map = homographyOf(
        [
          [0, 0],
          [SCALE_CARD.width, 0],
          [SCALE_CARD.width, SCALE_CARD.height],
          [0, SCALE_CARD.height],
        ],
        scene.card,
      );
      const corners = found.corners.map(([x, y]) => [x, y]) as never;
      const length = measureInPlane(
        'length',
        [project(map, 92, 20), project(map, 132, 20)],
        { by: 'plane', corners, width: 80, height: 50, cornerDeviation: found.cornerDeviation },
        0,
      );
      expect(Math.abs(length.value / 40 - 1), `length of ${seed}`).toBeLessThan(0.01);
    }
    // Under a hard glint over its frame the card may be missed: then it is set by hand.
    expect(missed.length, missed.join()).toBeLessThanOrEqual(2);
  }, 120_000);

  it('is not seen where none is, nor where only its frame is', async () => {
    expect(findScaleCard(await photographed(paintedFlank(6101)))).toBeUndefined();
    const flat: Raster = { width: 300, height: 200, channels: 3, data: new Uint8Array(180_000).fill(128) };
    expect(findScaleCard(flat)).toBeUndefined();
    // A plain dark block of the card's size.
    const block = new Uint8Array(180_000).fill(200);
    for (let y = 60; y < 140; y += 1) block.fill(10, (y * 300 + 80) * 3, (y * 300 + 208) * 3);
    expect(findScaleCard({ ...flat, data: block })).toBeUndefined();
    // A frame with nothing in its corner.
    for (let y = 66; y < 134; y += 1) block.fill(220, (y * 300 + 87) * 3, (y * 300 + 201) * 3);
    expect(findScaleCard({ ...flat, data: block })).toBeUndefined();
  });
});
