import { execFile } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { promisify } from 'node:util';
import sharp from 'sharp';
import { type CardScene, renderCardScene } from './cardScene';
import { type FlankOptions, renderFlank } from './flank';
import { flankCorners } from './flankCorners';
import { photograph } from './photograph';
import type { Scene } from './scene';
import { helicalGear, pinion, ringGear } from './scenes/gearTeeth';
import { bearingCup, dogTeeth, synchroRing } from './scenes/rings';
import { crossPin, magnet, spiderWashers, thrustWasher } from './scenes/small';

/*
 * Renders the demonstration's photographs: npm run render-photographs [-- name …] [-- --small].
 * Every picture is made from this code and its seed alone. They are committed, since making them takes minutes.
 */

const near = { from: [0.9, 7.2, 5.9], at: [0.1, 1.9, -0.35], fieldOfView: 34, aperture: 0.09 } as const;
const SCENES: Record<string, () => Scene> = {
  'ring-gear-pitted': () => ringGear({ seed: 11, pitted: [0, 1], camera: near }),
  'ring-gear-sound-tooth': () => ringGear({ seed: 12, camera: { ...near, from: [-1.1, 7.0, 6.2] } }),
  'ring-gear-broken': () =>
    ringGear({ seed: 13, broken: [-1, 0, 1], camera: { ...near, from: [0.3, 8.2, 6.6], fieldOfView: 40 } }),
  'pinion-tips': () => pinion({ seed: 21, scuffed: 1 }),
  'pinion-broken': () => pinion({ seed: 22, broken: [1, 2] }),
  'bevel-pinion-rust': () => pinion({ seed: 23, rust: 1, rag: true }),
  'cluster-end-rounding': () => helicalGear({ seed: 31, rounding: 0.17 }),
  'head-cup-spalled': () => bearingCup(41, 'spall'),
  'tail-cup-sound': () => bearingCup(42, 'none'),
  'counter-cup-dented': () => bearingCup(43, 'dents'),
  'input-cup-rusted': () => bearingCup(44, 'rust'),
  'ring-3-worn': () => synchroRing(51, 1),
  'ring-4-sound': () => synchroRing(52, 0),
  'dogs-3-rounded': () => dogTeeth(61, 1),
  'spider-washer-sheared': () => spiderWashers(71),
  'cross-pin-flat': () => crossPin(72),
  'washer-copper-loss': () => thrustWasher(73),
  'magnet-412': () => magnet(81, 0.35),
  'magnet-421': () => magnet(82, 1),
};

const flank =
  (over: Partial<FlankOptions>) =>
  (width: number, height: number): FlankOptions => ({
    ...{ seed: 92, width, height, compound: [0.62, 0.42, 0.03], margin: 0.015, streaks: 0.5 },
    ...{ cast: [1.05, 1, 0.92], glare: 0.25, oil: 0.4, shadow: 0.5 },
    ...over,
    corners: flankCorners(width, height),
  });
/** Painted flanks, drawn in their own plane: what is on them is known exactly. */
const FLANKS: Record<string, (width: number, height: number) => FlankOptions> = {
  'pattern-drive': flank({
    patch: { at: [0.58, 0.62], half: [0.25, 0.27], turn: 0.1, power: 2.4, rough: 0.3 },
  }),
  'pattern-coast': flank({
    seed: 93,
    patch: { at: [0.36, 0.6], half: [0.22, 0.26], turn: -0.1, power: 2.4, rough: 0.3 },
  }),
  'pattern-drive-2': flank({
    seed: 94,
    patch: { at: [0.6, 0.6], half: [0.24, 0.28], turn: 0.06, power: 2.4, rough: 0.3 },
  }),
  'flank-pits': (width, height) => {
    const { compound: _, ...bare } = flank({ seed: 96, stains: 0.5, glare: 0.2 })(width, height);
    return {
      ...bare,
      pits: [
        { at: [0.22, 0.42], radius: 0.024, squash: 1 },
        { at: [0.3, 0.55], radius: 0.035, squash: 0.9 },
        { at: [0.36, 0.38], radius: 0.016, squash: 1.1 },
        { at: [0.47, 0.5], radius: 0.028, squash: 0.8 },
        { at: [0.58, 0.44], radius: 0.02, squash: 1.2 },
      ],
    };
  },
};

/** Washers of 40 and 30 mm beside the scale card, from a hand-held camera. */
const CARDS: Record<string, (width: number, height: number) => CardScene> = {
  'washers-card': (width, height) => ({
    ...{ seed: 95, width, height, glare: 0.3, shadow: 0.6, blur: 1 },
    card: [
      [0.13, 0.24],
      [0.52, 0.17],
      [0.56, 0.47],
      [0.15, 0.56],
    ].map(([x, y]) => [x! * width, y! * height] as const) as unknown as CardScene['card'],
    rings: [
      { at: [118, 22], outer: 40, inner: 22.4 },
      { at: [44, 78], outer: 30, inner: 14.2 },
    ],
  }),
};

const FOLDER = path.join(import.meta.dirname, '../photographs');
const SIZES = { full: [2000, 1500, 2, 76], small: [640, 480, 1, 80] } as const;

/** Turned on its side for some, as phones store a picture that was taken upright. */
const TURNED = new Set(['head-cup-spalled', 'magnet-412']);

const NAMES = [...Object.keys(SCENES), ...Object.keys(FLANKS), ...Object.keys(CARDS)];

function pixelsOf(name: string, width: number, height: number, samples: number): Uint8Array {
  const scene = SCENES[name]?.();
  if (scene) return photograph(scene, width, height, samples);
  const options = FLANKS[name]?.(width, height);
  if (options) return renderFlank(options);
  const card = CARDS[name]?.(width, height);
  if (card) return renderCardScene(card);
  throw new Error(`There is no picture “${name}”. There are: ${NAMES.join(', ')}`);
}

async function render(name: string, size: keyof typeof SIZES, folder: string): Promise<void> {
  const [width, height, samples, quality] = SIZES[size];
  const raw = sharp(Buffer.from(pixelsOf(name, width, height, samples)), {
    raw: { width, height, channels: 3 },
  });
  const order = NAMES.indexOf(name);
  const clock = `2026:11:${String(9 + (order % 12)).padStart(2, '0')} ${String(8 + (order % 8)).padStart(2, '0')}:${String((order * 17) % 60).padStart(2, '0')}:${String((order * 23) % 60).padStart(2, '0')}`;
  await (TURNED.has(name) ? raw.rotate(270) : raw)
    .withMetadata({ orientation: TURNED.has(name) ? 6 : 1 })
    .withExifMerge({
      IFD0: { Make: 'Orrindal', Model: 'Pocket 5', DateTime: clock },
      IFD2: { DateTimeOriginal: clock, FNumber: '19/10', FocalLength: '56/10' },
    })
    .jpeg({ quality, chromaSubsampling: '4:2:0', mozjpeg: true })
    .toFile(path.join(folder, `${name}.jpg`));
}

async function main(): Promise<void> {
  const size = process.argv.includes('--small') ? 'small' : 'full';
  const wanted = process.argv.slice(2).filter((word) => !word.startsWith('--'));
  const folder = process.argv.find((word) => word.startsWith('--to='))?.slice(5) ?? FOLDER;
  fs.mkdirSync(folder, { recursive: true });
  if (wanted.length === 1) return render(wanted[0]!, size, folder);
  // One process for each processor: the work is arithmetic and nothing else.
  const queue = wanted.length > 0 ? wanted : NAMES;
  const run = promisify(execFile);
  const worker = async () => {
    for (let name = queue.shift(); name; name = queue.shift()) {
      const began = Date.now();
      await run(process.execPath, [
        '--import',
        'tsx',
        import.meta.filename,
        name,
        `--to=${folder}`,
        ...(size === 'small' ? ['--small'] : []),
      ]);
      console.log(`${name}: ${Math.round((Date.now() - began) / 1000)} s`);
    }
  };
  await Promise.all(os.cpus().map(worker));
}

await main();
