import { type Catalogs, JOB_CATALOGS, type JobCatalog } from '@/model/catalogs';
import type { JobAnswer } from '@/model/jobStream';
import type { JobSnapshot } from '@/model/snapshot';
import type { UnitType } from '@/model/unitType';
import type { InForce } from './confirmed';

/**
 * The unit type and the documents of the revisions that a job pins now: those at hand where it pins the same, else fetched. They lie
 * apart from the job and never change; nothing where one of them can't be had at this moment.
 */
export async function inForceFor({ job }: JobAnswer, now: JobSnapshot): Promise<InForce | undefined> {
  const { unitType, catalogs } = now;
  if (!job) return { unitType, catalogs };
  const sameType = job.unitTypeId === unitType.id && job.unitTypeRevision === unitType.revision;
  const [nextType, nextCatalogs] = await Promise.all([
    sameType
      ? unitType
      : fetchForGood<UnitType>(`unit-types/${job.unitTypeId}/revisions/${job.unitTypeRevision}`),
    catalogsFor(job.catalogs, catalogs),
  ]);
  return nextType && nextCatalogs && { unitType: nextType, catalogs: nextCatalogs };
}

async function catalogsFor(
  pinned: JobSnapshot['job']['catalogs'],
  now: Catalogs,
): Promise<Catalogs | undefined> {
  const others = JOB_CATALOGS.filter((kind) => pinned[kind] !== now[kind].revision);
  if (others.length === 0) return now;
  const fetched = await Promise.all(
    others.map(async (kind) => [kind, await fetchForGood(`catalogs/${kind}/${pinned[kind]}`)] as const),
  );
  return fetched.some(([, document]) => document === undefined)
    ? undefined
    : { ...now, ...(Object.fromEntries(fetched) as Pick<Catalogs, JobCatalog>), ...rulesBefore(pinned, now) };
}

/** Rules that a job goes over from stay at hand: what was graded by them is compared with them. */
const rulesBefore = (
  pinned: JobSnapshot['job']['catalogs'],
  { 'grade-rules': rules, rulesBefore: before = [] }: Catalogs,
): Pick<Catalogs, 'rulesBefore'> => ({
  rulesBefore: [...before.filter(({ revision }) => revision !== rules.revision), rules].filter(
    ({ revision }) => revision !== pinned['grade-rules'],
  ),
});

const fetchForGood = <Document>(path: string): Promise<Document | undefined> =>
  fetch(`/api/v1/${path}`)
    .then((response) => (response.ok ? (response.json() as Promise<Document>) : undefined))
    .catch(() => undefined);
