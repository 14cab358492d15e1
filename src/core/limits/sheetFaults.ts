import type { Check } from '@/model/checks';
import type { UnitType } from '@/model/unitType';
import { differenceFault } from '../metrology/workedOut';
import { sameDimension } from '../quantity/units';
import { limitKey } from './limitRows';

export interface SheetFault {
  readonly path: string;
  readonly message: string;
}

/** What is wrong with a set of checks for a unit type; nothing, when it may be stored. */
export function sheetFaults(
  { positions }: Pick<UnitType, 'positions'>,
  checks: readonly Check[],
): SheetFault[] {
  const known = new Set(positions.map(({ id }) => id));
  const ids = new Set(checks.map(({ id }) => id));
  const faults = checks.flatMap((check, index) =>
    [...faultsOf(check, known, ids), ...workedOutFaults(check, checks)].map(at(`checks.${index}`)),
  );
  const doubled = checks.filter(({ id }, index) => checks.findIndex((other) => other.id === id) !== index);
  return [
    ...faults,
    ...doubled.map(({ id, title }) => ({
      path: 'checks',
      message: `${title}: the id “${id}” is used twice`,
    })),
  ];
}

const at =
  (path: string) =>
  (message: string): SheetFault => ({ path, message });

const workedOutFaults = (check: Check, checks: readonly Check[]): string[] => {
  const wrong = differenceFault(check, checks);
  return wrong ? [wrong] : [];
};

function faultsOf(check: Check, positions: ReadonlySet<string>, ids: ReadonlySet<string>): string[] {
  const unknown = check.positions.filter((id) => !positions.has(id));
  const keys = check.limits.map(limitKey);
  const twice = keys.find((key, index) => keys.indexOf(key) !== index);
  const foreign = check.limits.find(({ unit }) => !sameDimension(unit, check.unit));
  const unexplained = check.limits.find(
    ({ kind, source, reason }) =>
      source.kind === 'shop' &&
      !reason &&
      check.limits.some((other) => other.kind === kind && other.source.kind === 'maker'),
  );
  const links = [check.forecasts, check.sameAs].filter((id) => id !== undefined && !ids.has(id));
  return [
    ...unknown.map((id) => `${check.title}: there is no part “${id}”`),
    ...(twice ? [`${check.title}: two limits of one kind and source (${twice})`] : []),
    ...(foreign ? [`${check.title}: a limit in ${foreign.unit} on a check in ${check.unit}`] : []),
    ...(unexplained
      ? [`${check.title}: the shop’s figure stands beside the maker’s and needs a reason`]
      : []),
    ...links.map((id) => `${check.title}: there is no check “${id}”`),
  ];
}
