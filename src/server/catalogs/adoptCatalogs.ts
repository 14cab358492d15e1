import * as v from 'valibot';
import { catalogChanges } from '@/core/catalogs/catalogChanges';
import { newestCatalogs, readCatalog } from '@/db/catalogs';
import { logChange } from '@/db/changeLog';
import { pinCatalogs } from '@/db/jobs';
import { inTransaction } from '@/db/open';
import { CatalogKindSchema, CatalogRevisionsSchema } from '@/model/catalogs';
import { IdSchema, VersionSchema } from '@/model/ids';
import { instant } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { refuseStale } from '../refuseStale';
import { defineUseCase } from '../useCase';
import { catalogsInForce } from './catalogsInForce';

/** What the newest words, rules, thresholds and cautions would change in a job, before anybody takes them over for it. */
export const previewCatalogs = defineUseCase(
  'job.read',
  v.object({ jobId: IdSchema }),
  (_actor, { db }, { jobId }) => {
    const newest = newestCatalogs(db);
    return {
      revisions: newest,
      changes: catalogChanges(gatherSnapshot(db, jobId), catalogsInForce(db, newest)),
    };
  },
);

const AdoptSchema = v.object({ jobId: IdSchema, version: VersionSchema, revisions: CatalogRevisionsSchema });

/** Judges a job by other revisions from now on, on a person's word. What was graded stays as it was graded. */
export const adoptCatalogs = defineUseCase('limit.adopt', AdoptSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { db } = context;
    const snapshot = gatherSnapshot(db, input.jobId);
    refuseStale(snapshot.job, input);
    const changes = catalogChanges(snapshot, catalogsInForce(db, input.revisions));
    pinCatalogs(db, input.jobId, input.version, input.revisions);
    logChange(db, {
      ...{ at: instant(context), by: actor.id, jobId: input.jobId, topic: 'catalogs', subject: input.jobId },
      before: snapshot.job.catalogs,
      after: { revisions: input.revisions, changes },
    });
    return { changes };
  }),
);

const DocumentSchema = v.object({
  kind: CatalogKindSchema,
  revision: v.pipe(v.number('a revision is a whole number'), v.integer(), v.minValue(1)),
});

/** One revision of a document, as it will always be. */
export const readCatalogDocument = defineUseCase(
  'unit-type.read',
  DocumentSchema,
  (_actor, { db }, { kind, revision }) => {
    const document = readCatalog(db, kind, revision);
    if (!document) throw new Refusal('not-found', `There is no revision ${revision} of it.`);
    return document;
  },
);
