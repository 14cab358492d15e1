import type { ReportDocument, ReportPart } from '@/model/report';
import { sameContent } from '../canonicalJson';

/** What a later issue says differently, in sentences for the customer. Empty when nothing differs. */
export function reportChanges(before: ReportDocument, after: ReportDocument): string[] {
  return [
    ...partChanges(before, after),
    ...(before.complaint === after.complaint ? [] : ['The complaint was worded anew.']),
    ...causeChanges(before, after),
    ...proposalChanges(before, after),
    ...decisionChanges(before, after),
    ...openChanges(before, after),
    ...(before.watch === after.watch ? [] : ['What to watch was changed.']),
    ...(before.unit.dueOn === after.unit.dueOn
      ? []
      : [`The date moved from ${before.unit.dueOn} to ${after.unit.dueOn}.`]),
  ];
}

const graded = (report: ReportDocument): Map<string, ReportPart> =>
  new Map([...report.damaged, ...report.worn, ...report.sound].map((part) => [part.positionId, part]));

function partChanges(before: ReportDocument, after: ReportDocument): string[] {
  const earlier = graded(before);
  const later = graded(after);
  const changes: string[] = [];
  for (const [id, part] of later) {
    const was = earlier.get(id);
    if (!was) changes.push(`${part.name} is now graded ${part.grade}, ${part.gradeWord}.`);
    else if (was.grade !== part.grade)
      changes.push(
        `${part.name} changed from grade ${was.grade}, ${was.gradeWord}, to ${part.grade}, ${part.gradeWord}.`,
      );
    else if (!sameContent([was.seen, was.measured], [part.seen, part.measured]))
      changes.push(`${part.name} was looked at or measured again.`);
    if (was && was.photographs.length !== part.photographs.length)
      changes.push(
        `${part.name} has ${part.photographs.length} photographs, it had ${was.photographs.length}.`,
      );
  }
  for (const [id, part] of later) {
    const was = earlier.get(id);
    const marksOf = ({ photographs }: typeof part) =>
      photographs.map(({ id: photographId, marks = [] }) => [photographId, marks]);
    if (
      was &&
      was.photographs.length === part.photographs.length &&
      !sameContent(marksOf(was), marksOf(part))
    )
      changes.push(`${part.name}: what is drawn on its photographs changed.`);
  }
  for (const [id, part] of earlier) if (!later.has(id)) changes.push(`${part.name} is no longer settled.`);
  return changes;
}

function causeChanges(before: ReportDocument, after: ReportDocument): string[] {
  if (sameContent(before.cause, after.cause)) return [];
  if (!before.cause) return ['The cause is now given.'];
  if (!after.cause) return ['The cause was withdrawn.'];
  return [
    before.cause.sureness === after.cause.sureness
      ? 'The cause was worded anew.'
      : `How sure we are of the cause changed: ${after.cause.sureness}.`,
  ];
}

function proposalChanges(before: ReportDocument, after: ReportDocument): string[] {
  if (
    before.proposal?.decision === after.proposal?.decision &&
    before.proposal?.reason === after.proposal?.reason
  )
    return [];
  return [
    after.proposal
      ? `What we propose: ${after.proposal.decision}${before.proposal ? `, before: ${before.proposal.decision}` : ''}.`
      : 'The proposal was withdrawn.',
  ];
}

function decisionChanges(before: ReportDocument, after: ReportDocument): string[] {
  const byPart = (report: ReportDocument) =>
    new Map(
      report.partDecisions.flatMap(({ decision, parts }) => parts.map((part) => [part, decision] as const)),
    );
  const earlier = byPart(before);
  return [...byPart(after)]
    .filter(([part, decision]) => earlier.get(part) !== decision)
    .map(
      ([part, decision]) =>
        `${part}: ${decision.toLowerCase()}${earlier.has(part) ? `, before: ${earlier.get(part)?.toLowerCase()}` : ''}.`,
    );
}

function openChanges(before: ReportDocument, after: ReportDocument): string[] {
  const count = (report: ReportDocument) => report.open.reduce((sum, part) => sum + part.questions.length, 0);
  return count(before) === count(after) ? [] : [`Open questions: ${count(after)}, before: ${count(before)}.`];
}
