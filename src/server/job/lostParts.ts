import { sameDimension } from '@/core/quantity/units';
import { listFindings, listPhotographs, listReadings, listRecords } from '@/db/captures';
import { listDecisions, listGrades } from '@/db/judgements';
import type { Db } from '@/db/open';
import { refersTo } from '@/model/recordKinds';
import { UNIT_SYMBOL, type Unit } from '@/model/units';
import type { UnitType } from '@/model/unitType';
import { Refusal } from '../refusal';

/** A description that dropped a part, check or step of which this job has records would leave them without a home. */
export function refuseLostParts(db: Db, jobId: string, next: UnitType, before: UnitType): void {
  const readings = listReadings(db, jobId);
  const named = listRecords(db, jobId).map(({ content }) => refersTo(content));
  const captured = [
    ...readings,
    ...listFindings(db, jobId),
    ...listPhotographs(db, jobId),
    ...listGrades(db, jobId),
    ...listDecisions(db, jobId),
  ].flatMap(({ positionId }) => positionId ?? []);
  refuseLost('positions', [...captured, ...named.flatMap(({ positions = [] }) => positions)], next, before);
  refuseLost(
    'checks',
    [
      ...readings.map(({ checkId }) => checkId),
      ...named.flatMap(({ checks = [] }) => checks.map(({ checkId }) => checkId)),
    ],
    next,
    before,
  );
  refuseOtherQuantity(readings, next, before);
  refuseLost(
    'steps',
    named.flatMap(({ steps = [] }) => steps),
    next,
    before,
  );
}

/** A check that has readings in one quantity can't ask for another: they could never be compared with its limit again. */
function refuseOtherQuantity(
  readings: readonly { readonly checkId: string; readonly unit: Unit }[],
  next: UnitType,
  before: UnitType,
): void {
  for (const { checkId, unit } of readings) {
    const check = next.checks.find(({ id }) => id === checkId);
    if (!check || sameDimension(check.unit, unit)) continue;
    throw new Refusal(
      'bad-input',
      `“${nameOf(before, 'checks', checkId)}” has readings in ${UNIT_SYMBOL[unit]}; here it would ask for ${UNIT_SYMBOL[check.unit]}. Nothing was changed, the job keeps its revision.`,
      { faults: [{ path: 'checks', message: 'another quantity under readings' }] },
    );
  }
}

function refuseLost(
  list: 'positions' | 'checks' | 'steps',
  used: readonly string[],
  next: UnitType,
  before: UnitType,
): void {
  const known = new Set(next[list].map(({ id }) => id));
  const lost = used.find((id) => !known.has(id));
  if (lost === undefined) return;
  throw new Refusal(
    'bad-input',
    `This job has records of “${nameOf(before, list, lost)}”, which this description no longer holds. Nothing was changed, the job keeps its revision.`,
    { faults: [{ path: list, message: `“${lost}” has records` }] },
  );
}

function nameOf(type: UnitType, list: 'positions' | 'checks' | 'steps', id: string): string {
  if (list === 'positions') return type.positions.find((position) => position.id === id)?.name ?? id;
  return type[list].find((entry) => entry.id === id)?.title ?? id;
}
