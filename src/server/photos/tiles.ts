import fs from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';
import * as v from 'valibot';
import { TILE } from '@/core/imaging/tiling';
import { CaptureIdSchema, IdSchema } from '@/model/ids';
import type { Context } from '../context';
import { tileFolder } from '../files';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { decoding } from './decoding';
import { originalOf, refuseAlteredOriginal } from './originalOf';
import { photographOfJob } from './readPhotograph';

const small = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(400));

/** One tile of a photograph's pyramid, upright and without its EXIF; the pyramid is cut when somebody first looks closely. */
export const readPhotographTile = defineUseCase(
  'job.read',
  v.object({
    jobId: IdSchema,
    photographId: CaptureIdSchema,
    /** 0 is full size, each next one half of it. */
    halved: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(12)),
    column: small,
    row: small,
  }),
  async (_actor, context, { jobId, photographId, halved, column, row }) => {
    const { digest } = photographOfJob(context, jobId, photographId);
    await refuseAlteredOriginal(context.dataFolder, digest);
    const folder = await pyramid(context, digest);
    // The folder holds a sheet about itself beside one folder for each level.
    const levels = fs.readdirSync(folder).filter((name) => /^\d+$/.test(name)).length;
    const tile = path.join(folder, `${levels - 1 - halved}`, `${column}_${row}.jpeg`);
    if (!fs.existsSync(tile)) throw new Refusal('not-found', 'There is no such piece of this photograph.');
    return tile;
  },
);

/** Pyramids that are being cut, so that twenty tiles asked for at once cut it once. */
const cutting = new Map<string, Promise<void>>();

async function pyramid(context: Context, digest: string): Promise<string> {
  const place = tileFolder(context.dataFolder, digest);
  if (!fs.existsSync(place)) {
    const running =
      cutting.get(place) ??
      decoding.pass(() => cut(context, digest, place)).finally(() => cutting.delete(place));
    cutting.set(place, running);
    await running;
  }
  return place;
}

async function cut(context: Context, digest: string, place: string): Promise<void> {
  const aside = `${place}.${context.newId()}`;
  fs.mkdirSync(path.dirname(place), { recursive: true });
  try {
    const original = await originalOf(context.dataFolder, digest);
    await sharp(original)
      .autoOrient()
      .jpeg({ quality: 88 })
      .tile({ size: TILE, overlap: 0, depth: 'onetile', layout: 'dz' })
      .toFile(aside);
    fs.renameSync(`${aside}_files`, place);
  } finally {
    fs.rmSync(`${aside}.dzi`, { force: true });
    fs.rmSync(`${aside}_files`, { recursive: true, force: true });
  }
}
