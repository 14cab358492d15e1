import type { OpenQuestion } from '@/model/openQuestion';
import type { JobSnapshot } from '@/model/snapshot';
import { openOfRebuild } from '../rebuild/openOfRebuild';
import { patternChecks } from '../rebuild/patternAsFound';
import { baselineChecks, movedOn } from '../strip/baseline';
import { unmatched } from '../strip/debris';
import { recordsOf } from '../strip/recordsOf';
import { stripPlan } from '../strip/stripPlan';
import { waitingSamples } from '../strip/waitingSamples';
import { findActive } from '../wear/active';
import { identityQuestions } from './identityQuestions';

const UNIT = { positionId: null } as const;

/** What is open of the unit as a whole, and of the work on it, in the order of the stations. */
export function openOfUnit(snapshot: JobSnapshot): OpenQuestion[] {
  return [
    ...bookedIn(snapshot),
    ...identityQuestions(snapshot).filter(({ positionId }) => positionId === null),
    ...ofTheOil(snapshot),
    ...ofTheSetting(snapshot),
    ...ofTheStrip(snapshot),
    ...ofTheLook(snapshot),
    ...openOfRebuild(snapshot),
    ...unfiled(snapshot),
    ...unreadable(snapshot),
    ...(snapshot.cause ? [] : [{ ...UNIT, code: 'no-cause' } as const]),
    ...(snapshot.unitDecision ? [] : [{ ...UNIT, code: 'unit-undecided' } as const]),
    ...(snapshot.reports.some(({ kind = 'customer' }) => kind === 'customer')
      ? []
      : [{ ...UNIT, code: 'no-report' } as const]),
  ];
}

function bookedIn({ job, unitType }: JobSnapshot): OpenQuestion[] {
  return [
    ...(job.serial === '' ? [{ ...UNIT, code: 'serial-unknown' } as const] : []),
    ...(job.oilClaimed === '' ? [{ ...UNIT, code: 'oil-unknown' } as const] : []),
    ...(unitType.positions.length === 0 ? [{ ...UNIT, code: 'not-described' } as const] : []),
  ];
}

/** Nobody drained it, debris that no part accounts for, and samples at the laboratory. */
function ofTheOil({ records, unitType }: JobSnapshot): OpenQuestion[] {
  return [
    ...(recordsOf(records, 'drained').length > 0 ? [] : [{ ...UNIT, code: 'not-drained' } as const]),
    ...unmatched(records).map(({ piece: { id, deviceTime, content }, match }) => {
      const place = unitType.positions.find((position) => position.id === match?.content.positionId)?.name;
      return {
        ...{ ...UNIT, code: 'debris-unmatched', captureId: id, piece: content.piece, since: deviceTime },
        ...(place && match?.content.sure ? { linked: { place, sure: match.content.sure } } : {}),
      };
    }),
    ...waitingSamples(records).map(({ id, deviceTime, content }) => ({
      ...{ ...UNIT, code: 'sample-out', captureId: id, sample: content.sample, since: deviceTime },
    })),
  ] as OpenQuestion[];
}

/** Checks that have to come before anything moves; once somebody has gone on, they were missed for good. */
function ofTheSetting(snapshot: JobSnapshot): OpenQuestion[] {
  const gone = movedOn(snapshot.records);
  const patterns = patternChecks(snapshot)
    .filter(({ state }) => state === 'open')
    .map(({ ringPosition, name }) => ({
      ...({ code: 'pattern-not-seen', positionId: ringPosition, pair: name } as const),
    }));
  const checks = baselineChecks(snapshot)
    .filter(({ state }) => state === 'open')
    .map(({ check: { id, title }, position }): OpenQuestion => {
      const of = { positionId: position.id, checkId: id, check: title };
      return gone
        ? { ...of, ...UNIT, code: 'baseline-missed', part: position.name, since: gone.deviceTime }
        : { ...of, code: 'baseline-open' };
    });
  return [...checks, ...patterns];
}

function ofTheStrip(snapshot: JobSnapshot): OpenQuestion[] {
  const plan = stripPlan(snapshot.unitType, snapshot.records);
  const opened =
    plan.log.some(({ content }) => !content.skipped) ||
    findActive(snapshot.findings).length > 0 ||
    snapshot.grades.length > 0;
  return [
    ...(opened ? [] : [{ ...UNIT, code: 'not-opened' } as const]),
    ...plan.steps
      .filter(({ state }) => state === 'open')
      .map(({ step: { id, title } }) => ({ ...UNIT, code: 'step-open', stepId: id, step: title }) as const),
  ];
}

/** Nobody has said of anything in it what it looks like, or how far it is worn. */
const ofTheLook = ({ findings, grades }: JobSnapshot): OpenQuestion[] =>
  findActive(findings).length > 0 || grades.length > 0 ? [] : [{ ...UNIT, code: 'nothing-looked-at' }];

const unfiled = ({ photographs }: JobSnapshot): OpenQuestion[] =>
  findActive(photographs)
    .filter(({ positionId }) => positionId === null)
    .map(({ id, fileName, deviceTime }) => ({
      ...({ ...UNIT, code: 'photograph-unfiled' } as const),
      ...{ captureId: id, fileName, since: deviceTime },
    }));

/** What a later program recorded, and this one can't read. */
const unreadable = ({ records }: JobSnapshot): OpenQuestion[] =>
  findActive(records).flatMap(({ id, deviceTime, content }): OpenQuestion[] =>
    content.what === 'unreadable'
      ? [{ ...UNIT, code: 'record-unreadable', captureId: id, kind: content.kind, since: deviceTime }]
      : [],
  );
