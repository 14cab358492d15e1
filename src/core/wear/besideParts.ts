import type { GradeOrNone } from '@/model/damage';
import type { JobSnapshot } from '@/model/snapshot';
import { describeFinding } from '../report/describeFinding';
import { findActive } from './active';
import type { PartState } from './partStanding';

/** What was said of one part in another strip of the same kind of unit. */
export interface BesidePart {
  readonly positionId: string;
  readonly grade: GradeOrNone;
  /** In short words, the last first. */
  readonly seen: readonly string[];
  readonly decision: string;
}

type Facts = Pick<JobSnapshot, 'findings' | 'catalogs' | 'decisions'>;

export const besideParts = (facts: Facts, parts: readonly PartState[]): BesidePart[] =>
  parts.map(({ position, grade }) => ({
    ...{ positionId: position.id, grade },
    seen: findActive(facts.findings)
      .filter(({ positionId }) => positionId === position.id)
      .map((finding) => describeFinding(finding, position.family, facts.catalogs))
      .reverse(),
    decision: facts.decisions.find(({ positionId }) => positionId === position.id)?.decision ?? '',
  }));

export interface PartDifference {
  readonly positionId: string;
  readonly name: string;
  readonly here: BesidePart;
  readonly there: BesidePart;
}

/** Parts on which both strips differ by grade, or that only one of them has looked at; what neither graded says nothing. */
export function differencesByPart(
  names: readonly { readonly id: string; readonly name: string }[],
  here: readonly BesidePart[],
  there: readonly BesidePart[],
): PartDifference[] {
  const other = new Map(there.map((part) => [part.positionId, part]));
  return here.flatMap((part) => {
    const beside = other.get(part.positionId);
    if (!beside || beside.grade === part.grade) return [];
    const name = names.find(({ id }) => id === part.positionId)?.name ?? part.positionId;
    return [{ positionId: part.positionId, name, here: part, there: beside }];
  });
}
