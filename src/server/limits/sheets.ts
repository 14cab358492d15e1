import * as v from 'valibot';
import { sheetChanges } from '@/core/limits/sheetChanges';
import { sheetFaults } from '@/core/limits/sheetFaults';
import { typeChanges } from '@/core/unit-type/typeChanges';
import { logChange } from '@/db/changeLog';
import { pinUnitType } from '@/db/jobs';
import { type Db, inTransaction } from '@/db/open';
import { readTooClosePolicy, writeTooClosePolicy } from '@/db/shop';
import {
  insertUnitType,
  isOwnOfJob,
  listRevisions,
  listUnitTypes,
  newestRevision,
  readUnitType,
} from '@/db/unitTypes';
import type { Check } from '@/model/checks';
import { IdSchema } from '@/model/ids';
import { AdoptSheetSchema, SheetRevisionSchema, TooCloseChoiceSchema } from '@/model/measuring';
import type { UnitType } from '@/model/unitType';
import { newestDocument } from '../catalogs/catalogsInForce';
import { instant } from '../context';
import { refuseLostParts } from '../job/lostParts';
import { openJob } from '../job/openJob';
import { Refusal } from '../refusal';
import { refuseStale } from '../refuseStale';
import { shopToday } from '../shopDay';
import { defineUseCase } from '../useCase';

/** The unit types whose sheets the shop keeps, and what it does with readings that are too close to call. */
export const readSheets = defineUseCase('limit.read', v.undefined(), (_actor, { db }) => ({
  unitTypes: listUnitTypes(db),
  tooClosePolicy: readTooClosePolicy(db),
}));

export const readSheet = defineUseCase(
  'limit.read',
  v.object({ unitTypeId: IdSchema }),
  (_actor, { db }, { unitTypeId }) => ({
    unitType: newestType(db, unitTypeId),
    revisions: listRevisions(db, unitTypeId),
    definitions: newestDocument(db, 'check-definitions').definitions,
  }),
);

/**
 * Stores changed checks and limits as the next revision. Jobs keep the revision that they pin; what the sheet held
 * before stays readable.
 */
export const reviseSheet = defineUseCase('limit.keep', SheetRevisionSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const before = newestType(context.db, input.unitTypeId);
    if (before.revision !== input.basedOnRevision) {
      throw new Refusal(
        'stale',
        `Somebody made revision ${before.revision} meanwhile. Nothing was overwritten; your changes are still here.`,
        { theirs: { revision: before.revision, changes: sheetChanges(input.checks, before.checks) } },
      );
    }
    const faults = sheetFaults(before, input.checks);
    if (faults[0]) throw new Refusal('bad-input', faults[0].message, { faults });
    const at = instant(context);
    const checks = input.checks.map((check) => signedChecks(before, check, actor.name, shopToday(context)));
    const changes = sheetChanges(before.checks, checks);
    if (changes.length === 0) throw new Refusal('bad-input', 'Nothing is different from the last revision.');
    const next: UnitType = { ...before, revision: before.revision + 1, checks };
    insertUnitType(context.db, next, { at, by: actor.id, note: input.note });
    logChange(context.db, {
      at,
      by: actor.id,
      jobId: null,
      topic: 'limit-sheet',
      subject: next.id,
      before: { revision: before.revision },
      after: { revision: next.revision, note: input.note, changes },
    });
    return { revision: next.revision, changes };
  }),
);

/** A limit that is new or has changed carries who entered it and when; the others keep their own. */
function signedChecks(before: UnitType, check: Check, name: string, today: string): Check {
  const old = before.checks.find(({ id }) => id === check.id)?.limits ?? [];
  return {
    ...check,
    limits: check.limits.map((limit) => {
      const { enteredBy: _, enteredOn: __, ...figures } = limit;
      const same = old.find(({ enteredBy: by, enteredOn: on, ...rest }) => sameJson(rest, figures));
      return same ?? { ...figures, enteredBy: name, enteredOn: today };
    }),
  };
}

const sameJson = (a: object, b: object): boolean =>
  JSON.stringify(Object.entries(a).sort()) === JSON.stringify(Object.entries(b).sort());

function newestType(db: Db, id: string): UnitType {
  const type = isOwnOfJob(db, id) ? undefined : readUnitType(db, id, newestRevision(db, id));
  if (!type) throw new Refusal('not-found', 'There is no such unit type.');
  return type;
}

/** Moves a job to a newer revision of its sheet, on a person's word; its readings are judged by that one from then on. */
export const adoptSheet = defineUseCase('limit.adopt', AdoptSheetSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { job, unitType } = openJob(context.db, input.jobId);
    refuseStale(job, input);
    const next = readUnitType(context.db, job.unitTypeId, input.revision);
    if (!next) throw new Refusal('bad-input', `There is no revision ${input.revision} of this unit type.`);
    refuseLostParts(context.db, job.id, next, unitType);
    pinUnitType(context.db, job.id, job.version, next.revision);
    logChange(context.db, {
      at: instant(context),
      by: actor.id,
      jobId: job.id,
      topic: 'limit-sheet',
      subject: job.unitTypeId,
      before: { revision: unitType.revision },
      after: {
        revision: next.revision,
        changes: sheetChanges(unitType.checks, next.checks),
        described: typeChanges(unitType, next),
      },
    });
    return { revision: next.revision };
  }),
);

/** What a newer revision would change for a job, before anybody adopts it. */
export const previewAdoption = defineUseCase(
  'job.read',
  v.object({ jobId: IdSchema }),
  (_actor, { db }, { jobId }) => {
    const { job, unitType } = openJob(db, jobId);
    const revision = newestRevision(db, job.unitTypeId);
    const next = readUnitType(db, job.unitTypeId, revision);
    return {
      revision,
      changes: next ? sheetChanges(unitType.checks, next.checks) : [],
      described: next ? typeChanges(unitType, next) : [],
    };
  },
);

export const setTooClosePolicy = defineUseCase(
  'shop.set',
  TooCloseChoiceSchema,
  (actor, context, { policy }) =>
    inTransaction(context.db, () => {
      const before = readTooClosePolicy(context.db);
      writeTooClosePolicy(context.db, policy);
      logChange(context.db, {
        at: instant(context),
        by: actor.id,
        jobId: null,
        topic: 'shop',
        subject: 'too-close-policy',
        before,
        after: policy,
      });
      return {};
    }),
);
