import fs from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';
import * as v from 'valibot';
import { filePhotograph, findPhotograph, listConflicts, listPhotographsAlike } from '@/db/captures';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { CaptureIdSchema, DigestSchema, IdSchema } from '@/model/ids';
import { type Context, instant } from '../context';
import { derivedPath, syncedRename } from '../files';
import { openJob, positionOf } from '../job/openJob';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { decoding } from './decoding';
import { originalOf, refuseAlteredOriginal } from './originalOf';
import { pixelsOnly } from './pixelsOnly';

export const PHOTOGRAPH_SIZES = [320, 1280] as const;
const SizeSchema = v.picklist(PHOTOGRAPH_SIZES);

/** The path of a photograph made small, upright and without its EXIF. Derived files can be made again. */
export async function derivedPhotograph(
  context: Context,
  digest: string,
  size: (typeof PHOTOGRAPH_SIZES)[number],
): Promise<string> {
  const place = derivedPath(context.dataFolder, digest, size);
  await refuseAlteredOriginal(context.dataFolder, digest);
  if (fs.existsSync(place)) return place;
  fs.mkdirSync(path.dirname(place), { recursive: true });
  const aside = `${place}.${context.newId()}`;
  try {
    await decoding.pass(async () => {
      const original = await originalOf(context.dataFolder, digest);
      await sharp(original)
        .autoOrient()
        .resize(size, size, { fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality: 82 })
        .toFile(aside);
    });
    // Whole or absent: what is half made when the light goes out is swept at the next start.
    syncedRename(aside, place);
  } finally {
    fs.rmSync(aside, { force: true });
  }
  return place;
}

/** Authorised through the job it belongs to, never by digest or id alone. */
export const readPhotograph = defineUseCase(
  'job.read',
  v.object({ jobId: IdSchema, photographId: CaptureIdSchema, size: SizeSchema }),
  async (_actor, context, input) => {
    const { digest } = photographOfJob(context, input.jobId, input.photographId);
    return derivedPhotograph(context, digest, input.size);
  },
);

/** A photograph as this job has it. */
export function photographOfJob({ db }: Context, jobId: string, photographId: string) {
  const photograph = findPhotograph(db, photographId);
  if (!photograph || photograph.jobId !== jobId)
    throw new Refusal('not-found', 'There is no such photograph in this job.');
  return photograph;
}

/**
 * All pixels of a photograph as the camera stored them, for measuring: the original's own compressed data, without what tells where
 * it was taken.
 */
export const readPhotographPixels = defineUseCase(
  'job.read',
  v.object({ jobId: IdSchema, photographId: CaptureIdSchema }),
  async (_actor, context, { jobId, photographId }) => {
    const { digest } = photographOfJob(context, jobId, photographId);
    return decoding.pass(async () => pixelsOnly(await originalOf(context.dataFolder, digest)));
  },
);

/** Photographs of the same place in other units of this type: a sound one, or one that failed in another way. */
export const listLikePhotographs = defineUseCase(
  'job.read',
  v.object({ jobId: IdSchema, positionId: IdSchema }),
  (_actor, { db }, { jobId, positionId }) => {
    openJob(db, jobId);
    return { photographs: listPhotographsAlike(db, jobId, positionId) };
  },
);

/** The picture of a capture that came second under a mark already taken; it is kept, and reached through its job only. */
export const readConflictingPhotograph = defineUseCase(
  'job.read',
  v.object({ jobId: IdSchema, digest: DigestSchema }),
  async (_actor, context, { jobId, digest }) => {
    const conflict = listConflicts(context.db, jobId).find(
      ({ kind, content }) => kind === 'photograph' && content.digest === digest,
    );
    if (!conflict) throw new Refusal('not-found', 'There is no such photograph in this job.');
    return derivedPhotograph(context, digest, 320);
  },
);

/** Files a photograph from the tray under a part. */
export const filePhotographUnder = defineUseCase(
  'photograph.file',
  v.object({ photographId: CaptureIdSchema, positionId: IdSchema }),
  (actor, context, input) =>
    inTransaction(context.db, () => {
      const photograph = findPhotograph(context.db, input.photographId);
      if (!photograph) throw new Refusal('not-found', 'There is no such photograph.');
      positionOf(openJob(context.db, photograph.jobId).unitType, input.positionId);
      filePhotograph(context.db, photograph.id, input.positionId);
      logChange(context.db, {
        at: instant(context),
        by: actor.id,
        jobId: photograph.jobId,
        topic: 'photograph filed',
        subject: photograph.id,
        before: { positionId: photograph.positionId },
        after: { positionId: input.positionId },
      });
      return { photographId: photograph.id };
    }),
);
