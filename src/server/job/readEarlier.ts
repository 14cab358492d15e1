import * as v from 'valibot';
import { afterValues } from '@/core/rebuild/afterValues';
import { findJob, listEarlierJobs, listOfType } from '@/db/jobs';
import type { Db } from '@/db/open';
import type { JobBeside, ValueBeside } from '@/model/earlier';
import { IdSchema } from '@/model/ids';
import type { Job } from '@/model/snapshot';
import { defineUseCase } from '../useCase';
import { gatherSnapshot } from './readSnapshot';

/** The unit's own earlier job and the newest sister that has something to compare; each only where it has values. */
export const readEarlier = defineUseCase(
  'job.read',
  v.object({ jobId: IdSchema }),
  (_actor, { db }, { jobId }) => {
    const job = findJob(db, jobId);
    if (!job) return { beside: [] };
    const before = earlierOf(db, job);
    const sisters = listOfType(db, job.unitTypeId, SISTERS).filter(
      ({ id }) => id !== jobId && id !== before?.id,
    );
    const told = (of: Job, kind: JobBeside['kind']): JobBeside => ({
      ...{
        peg: of.peg,
        kind,
        bookedAt: of.bookedAt,
        handedOverAt: of.handedOver?.at,
        distanceKm: of.distanceKm,
      },
      values: valuesOf(db, of.id),
    });
    const sister = sisters.map((each) => told(each, 'sister')).find(({ values }) => values.length > 0);
    return { beside: [...(before ? [told(before, 'earlier')] : []), ...(sister ? [sister] : [])] };
  },
);

/** So many of the newest of a type are looked through. */
const SISTERS = 6;

/** The job that it was said to be, or the newest one before it with the same serial number. */
function earlierOf(db: Db, job: Job): Job | undefined {
  const said = job.comebackOf && findJob(db, job.comebackOf.jobId);
  if (said) return said;
  if (job.serial === '') return undefined;
  return listEarlierJobs(db, { serial: job.serial, peg: 0, machine: '', customer: '' }).find(
    ({ id, bookedAt, unitTypeId }) =>
      id !== job.id && unitTypeId === job.unitTypeId && bookedAt < job.bookedAt,
  );
}

function valuesOf(db: Db, jobId: string): ValueBeside[] {
  return afterValues(gatherSnapshot(db, jobId)).flatMap(({ check, position, found, now }) => {
    const [asFound, asLeft] = [found?.decisive?.value, now.decisive?.value];
    return asFound === undefined && asLeft === undefined
      ? []
      : [{ checkId: check.id, positionId: position.id, unit: check.unit, found: asFound, left: asLeft }];
  });
}
