import { NOTHING_TO_SEE } from '@/model/damage';
import type { JobSnapshot } from '@/model/snapshot';
import type { UnitType } from '@/model/unitType';
import { findActive } from './active';
import { handResults } from './handTests';
import { isOfSetUp, type PartState } from './partStanding';

/** In which order the parts are gone through: as they lie along the shafts, or as they came apart. */
export const SHEET_ORDERS = ['along the shafts', 'as it came apart'] as const;
export type SheetOrder = (typeof SHEET_ORDERS)[number];

export interface SheetGroup {
  readonly id: string;
  readonly title: string;
  readonly parts: readonly PartState[];
  readonly notLookedAt: number;
}

export const isNotLookedAt = ({ openQuestions }: PartState): boolean =>
  openQuestions.some(
    ({ code }) => code === 'not-looked-at' || code === 'only-measured' || code === 'evidence-gone',
  );

/** The parts of a unit in the order in which an inspector goes through them, by shaft or by step of the strip. */
export function sheetGroups(
  unitType: Pick<UnitType, 'axes' | 'steps'>,
  parts: readonly PartState[],
  order: SheetOrder,
): SheetGroup[] {
  const groups = order === 'along the shafts' ? alongShafts(unitType, parts) : asItCameApart(unitType, parts);
  return groups
    .filter((group) => group.parts.length > 0)
    .map((group) => ({ ...group, notLookedAt: group.parts.filter(isNotLookedAt).length }));
}

type Grouped = Omit<SheetGroup, 'notLookedAt'>;

function alongShafts({ axes }: Pick<UnitType, 'axes'>, parts: readonly PartState[]): Grouped[] {
  const place = ({ position }: PartState) => position.from ?? 0;
  const on = (axis: string | undefined) =>
    parts.filter(({ position }) => position.axis === axis).sort((a, b) => place(a) - place(b));
  const known = new Set(axes.map(({ id }) => id));
  const rest = parts.filter(({ position }) => position.axis === undefined || !known.has(position.axis));
  return [
    ...axes.map(({ id, name }) => ({ id, title: `${name}, front to tail`, parts: on(id) })),
    { id: 'rest', title: axes.length === 0 ? 'Parts' : 'Case and what lies on no shaft', parts: rest },
  ];
}

function asItCameApart({ steps }: Pick<UnitType, 'steps'>, parts: readonly PartState[]): Grouped[] {
  const left = new Map(parts.map((part) => [part.position.id, part]));
  const groups = steps.map(({ id, title, positions }): Grouped => {
    const own = positions.flatMap((position) => {
      const part = left.get(position);
      left.delete(position);
      return part ? [part] : [];
    });
    return { id, title, parts: own };
  });
  return [...groups, { id: 'rest', title: 'Comes off in no step', parts: [...left.values()] }];
}

/** Graded, little worn, and nothing open: such parts lie folded side by side. */
export const isSettled = ({ grade, openQuestions, standing }: PartState): boolean =>
  grade !== null && grade <= 2 && openQuestions.length === 0 && standing !== 'attention';

export type SheetLine =
  | { readonly kind: 'row'; readonly part: PartState }
  | { readonly kind: 'folded'; readonly parts: readonly PartState[] };

/** Rows for what is worn, open or in hand; strips of at most so many for what is settled between them. */
export function foldedLines(
  parts: readonly PartState[],
  inHand: ReadonlySet<string>,
  most: number,
): SheetLine[] {
  const lines: SheetLine[] = [];
  for (const part of parts) {
    const last = lines.at(-1);
    if (!isSettled(part) || inHand.has(part.position.id)) lines.push({ kind: 'row', part });
    else if (last?.kind === 'folded' && last.parts.length < most)
      lines[lines.length - 1] = { kind: 'folded', parts: [...last.parts, part] };
    else lines.push({ kind: 'folded', parts: [part] });
  }
  return lines;
}

/** Parts of the same family and form as this one, of which as little is known: they can be graded with it in one act. */
export function likeParts(parts: readonly PartState[], positionId: string): readonly PartState[] {
  const one = parts.find(({ position }) => position.id === positionId);
  if (!one) return [];
  const form = ({ position }: PartState) => `${position.family} ${position.draw?.shape ?? ''}`;
  return parts.filter(
    (part) =>
      part !== one &&
      form(part) === form(one) &&
      (part.grade === null) === (one.grade === null) &&
      isNotLookedAt(part) === isNotLookedAt(one),
  );
}

/** Why a part can't be said to show nothing; empty where it can. */
export function whyNotNothing(
  part: PartState,
  { findings, records, catalogs }: Pick<JobSnapshot, 'findings' | 'records' | 'catalogs'>,
): string {
  const beyond = part.judgements.find(
    ({ judgement }) => judgement.word === 'beyond' && !isOfSetUp(judgement),
  );
  if (beyond) return `${beyond.check.title} reads beyond its limit: measure it again, or say what is seen.`;
  const failed = handResults(part.position, records, catalogs).find(({ result }) => result === 'fail');
  if (failed)
    return `${failed.test.title} by hand: ${failed.test.failWord}. Try it again, or say what is seen.`;
  const seen = findActive(findings).some(
    ({ positionId, mode }) => positionId === part.position.id && mode !== NOTHING_TO_SEE,
  );
  return seen ? 'Something was found on it already: strike that out first, if it was wrong.' : '';
}

/** Why a grade can't be put down; empty where it can. */
export function whyNoGrade({ proposal, position }: PartState): string {
  return proposal.grade === null
    ? `${position.name}: nobody has said yet what is seen on it. Nothing to see, or a finding, comes first.`
    : '';
}
