import type { Check, Limit } from '@/model/checks';
import type { BenchRecord, JobSnapshot } from '@/model/snapshot';
import { countablePairs } from '../gearing/countablePairs';
import type { TakenReading } from '../metrology/judgeCheck';
import { NEW } from '../planning/needs';
import { recordsOf } from '../strip/recordsOf';

export interface OfCheck extends TakenReading {
  readonly checkId: string;
  readonly positionId: string;
}

/** The last turning torque of each set-up, as a reading of the check that asks for it: of the set that stays in, not of one on set-up drag. */
export function setUpReadings({ unitType, records }: Pick<JobSnapshot, 'unitType' | 'records'>): OfCheck[] {
  return countablePairs(unitType).flatMap((pair) => {
    const pinion = unitType.gears.find(({ id }) => id === pair.gears?.pinion);
    return pinion ? torqueOf(unitType, records, pair.id, pinion.position) : [];
  });
}

function torqueOf(
  unitType: JobSnapshot['unitType'],
  records: readonly BenchRecord[],
  pair: string,
  positionId: string,
): OfCheck[] {
  const check = torqueCheckOf(unitType, positionId);
  const last = recordsOf(records, 'turning-torque').findLast(
    ({ content }) => content.pair === pair && content.of === 'pinion',
  )?.content;
  if (!check || !last || (isCrushed(unitType) && last.sleeve !== 'new' && last.sleeve !== 'solid')) return [];
  const value = last.steady - last.seal;
  return [
    {
      ...{ checkId: check.id, positionId: check.positions[0]!, value, raw: String(value) },
      ...{ unit: 'Nm' as const, place: '', gaugeId: last.gaugeId },
    },
  ];
}

/** Whether a sleeve that is used once sets the preload: what is read before the new one is in, is read on set-up drag. */
const isCrushed = ({ stacks, positions }: JobSnapshot['unitType']): boolean =>
  stacks.some(
    ({ sets, position }) =>
      sets === 'preload' && positions.find(({ id }) => id === position)?.oneUse === true,
  );

/** Of the pinion’s preload; the type tells it by its unit and its place. */
export const torqueCheckOf = (
  { checks, positions }: Pick<JobSnapshot['unitType'], 'checks' | 'positions'>,
  pinion: string,
): Check | undefined => {
  const body = positions.find(({ id }) => id === pinion)?.body;
  const onBody = new Set(
    positions.filter((each) => each.id === pinion || (body && each.body === body)).map(({ id }) => id),
  );
  return checks.find(({ unit, positions: of }) => unit === 'Nm' && of.some((id) => onBody.has(id)));
};

/**
 * Whether the preloaded bearings of a turning body are new ones: as somebody said with the last turning torque, else as was decided of them. One
 * new bearing of a pair is set as new ones are.
 */
export function bearingsOf(
  { unitType, records, decisions }: Pick<JobSnapshot, 'unitType' | 'records' | 'decisions'>,
  position: string,
): 'new' | 'used' {
  const said = recordsOf(records, 'turning-torque').at(-1)?.content.bearings;
  if (said) return said;
  const body = unitType.positions.find(({ id }) => id === position)?.body;
  const own = new Set(
    unitType.bearings
      .filter(
        ({ setup, inner, outer }) =>
          setup === 'preloaded' && body !== undefined && [inner, outer].includes(body),
      )
      .flatMap(({ positions }) => positions),
  );
  const isNew = decisions.some(({ positionId, decision }) => own.has(positionId) && NEW.has(decision));
  return isNew ? 'new' : 'used';
}

/** What a rebuilt unit’s check is judged by: of a turning torque the band of the bearings that are in. */
export const judgedOf = (
  sources: Pick<JobSnapshot, 'unitType' | 'records' | 'decisions'>,
  check: Check,
  usual: readonly Limit[],
): Limit[] => (check.unit === 'Nm' ? limitsFor(check, bearingsOf(sources, check.positions[0]!)) : [...usual]);

/** The limits of new or of used bearings; what the type tells of only one stands for both. */
export function limitsFor({ limits }: Pick<Check, 'limits'>, bearings: 'new' | 'used'): Limit[] {
  const kind = bearings === 'new' ? 'new' : 'set-up';
  const own = limits.filter((limit) => limit.kind === kind);
  return own.length > 0 ? own : limits.filter((limit) => limit.kind === 'set-up');
}
