import { restsOn } from '@/core/metrology/workedOut';
import { identityQuestions } from '@/core/open/identityQuestions';
import { type PartState, partState } from '@/core/wear/partStanding';
import type { OpenQuestion } from '@/model/openQuestion';
import type { BenchRecord, JobSnapshot } from '@/model/snapshot';
import type { Position } from '@/model/unitType';

type Facts = Parameters<typeof partState>[1];
type CatalogsInForce = JobSnapshot['catalogs'];
interface Judged {
  readonly facts: Facts;
  readonly state: PartState;
}

/**
 * Judges the parts of a job, each from its own facts alone, and only those anew whose facts changed: an unchanged part keeps its
 * identity and its judgement, so that nothing that shows it has to be shown again.
 */
export function partJudge(
  judge: typeof partState = partState,
): (snapshot: JobSnapshot) => readonly PartState[] {
  let before = new Map<string, Judged>();
  let by: CatalogsInForce | undefined;
  let last: readonly PartState[] = [];
  return (snapshot) => {
    const now = new Map<string, Judged>();
    const { catalogs } = snapshot;
    const factsOf = factsByPosition(snapshot);
    for (const position of snapshot.unitType.positions) {
      const facts = factsOf(position);
      const known = before.get(position.id);
      const kept =
        known && by === catalogs && known.state.position === position && sameFacts(known.facts, facts);
      now.set(position.id, kept ? known : { facts, state: judge(position, facts, catalogs) });
    }
    before = now;
    by = catalogs;
    const states = [...now.values()].map(({ state }) => state);
    if (states.length !== last.length || states.some((state, index) => state !== last[index])) last = states;
    return last;
  };
}

/** The facts of each position, gathered once for all of them. */
function factsByPosition(snapshot: JobSnapshot): (position: Position) => Facts {
  const { gauges, tooClosePolicy, timeZone, unitType } = snapshot;
  const readings = byPosition(snapshot.readings);
  const findings = byPosition(snapshot.findings);
  const grades = byPosition(snapshot.grades);
  const acceptances = byPosition(snapshot.acceptances);
  const conflicts = (id: string) => snapshot.conflicts.filter(({ content }) => content.positionId === id);
  const identities = byPosition(identityQuestions(snapshot));
  const ofOnePart = byPosition(recordsOfParts(snapshot.records));
  const checks = new Map(
    unitType.positions.map(({ id }) => {
      const own = unitType.checks.filter((check) => check.positions.includes(id));
      // A worked-out one rests on checks of other parts too, and on what was read there.
      const others = own
        .flatMap((check) => restsOn(check, unitType.checks))
        .filter((each) => !own.includes(each));
      return [id, { own: [...own, ...others], others: new Set(others.map((each) => each.id)) }];
    }),
  );
  const readingsFor = (id: string) => {
    const { others } = checks.get(id)!;
    if (others.size === 0) return readings(id);
    return snapshot.readings.filter(({ positionId, checkId }) => positionId === id || others.has(checkId));
  };
  return ({ id }) => ({
    readings: readingsFor(id),
    findings: findings(id),
    grades: grades(id),
    acceptances: acceptances(id),
    identityQuestions: identities(id),
    records: ofOnePart(id).map(({ record }) => record),
    conflicts: snapshot.conflicts.length === 0 ? [] : conflicts(id),
    gauges,
    tooClosePolicy,
    timeZone,
    unitType: { checks: checks.get(id)!.own },
  });
}

/** The records that speak of one part, each with its position; that a question is settled speaks of the part that it was asked of. */
function recordsOfParts(records: readonly BenchRecord[]) {
  const asked = new Map<string, string>();
  return records.flatMap((record) => {
    const { content } = record;
    if (content.what === 'asked') asked.set(record.id, content.positionId);
    const positionId =
      content.what === 'question-settled'
        ? asked.get(content.askedId)
        : 'positionId' in content
          ? content.positionId
          : undefined;
    return positionId ? [{ record, positionId }] : [];
  });
}

function byPosition<Row extends { readonly positionId: string | null }>(
  rows: readonly Row[],
): (positionId: string) => readonly Row[] {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    if (row.positionId === null) continue;
    const group = groups.get(row.positionId);
    if (group) group.push(row);
    else groups.set(row.positionId, [row]);
  }
  return (positionId) => groups.get(positionId) ?? [];
}

const sameList = (a: readonly unknown[] = [], b: readonly unknown[] = []): boolean =>
  a.length === b.length && a.every((each, index) => each === b[index]);

/** Questions are worked out anew each time: they are the same where they say the same. */
const sameQuestions = (a: readonly OpenQuestion[] = [], b: readonly OpenQuestion[] = []): boolean =>
  a.length === b.length && JSON.stringify(a) === JSON.stringify(b);

const sameFacts = (a: Facts, b: Facts): boolean =>
  a.gauges === b.gauges &&
  a.tooClosePolicy === b.tooClosePolicy &&
  a.timeZone === b.timeZone &&
  sameList(a.readings, b.readings) &&
  sameList(a.findings, b.findings) &&
  sameList(a.grades, b.grades) &&
  sameList(a.acceptances, b.acceptances) &&
  sameList(a.records, b.records) &&
  sameQuestions(a.identityQuestions, b.identityQuestions) &&
  sameList(a.conflicts, b.conflicts) &&
  sameList(a.unitType.checks, b.unitType.checks);
