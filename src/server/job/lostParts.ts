import { listFindings, listPhotographs, listReadings } from '@/db/captures';
import { listDecisions, listGrades } from '@/db/judgements';
import type { Db } from '@/db/open';
import type { UnitType } from '@/model/unitType';
import { Refusal } from '../refusal';

/** A description that dropped a part of which this job has readings, findings or decisions would leave them without a home. */
export function refuseLostParts(db: Db, jobId: string, { positions }: UnitType, before: UnitType): void {
  const known = new Set(positions.map(({ id }) => id));
  const used = [
    ...listReadings(db, jobId),
    ...listFindings(db, jobId),
    ...listPhotographs(db, jobId),
    ...listGrades(db, jobId),
    ...listDecisions(db, jobId),
  ].flatMap(({ positionId }) => (positionId ? [positionId] : []));
  const lost = used.find((id) => !known.has(id));
  if (lost === undefined) return;
  const name = before.positions.find(({ id }) => id === lost)?.name ?? lost;
  throw new Refusal(
    'bad-input',
    `This job has records of “${name}”, which this description no longer holds. Nothing was changed.`,
    { faults: [{ path: 'positions', message: `“${lost}” has records` }] },
  );
}
