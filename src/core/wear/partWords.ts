import { GRADE_WORD, NOT_LOOKED_AT } from '@/model/damage';
import type { PartState } from './partStanding';

/**
 * Where a part stands, in the words that stand beside its glyph: its grade, or what is missing to one. Looked at, measured and
 * graded are three things.
 */
export function partWords({ grade, openQuestions }: Pick<PartState, 'grade' | 'openQuestions'>): string {
  if (grade !== null) return `${grade} ${GRADE_WORD[grade]}`;
  const codes = new Set(openQuestions.map(({ code }) => code));
  if (codes.has('not-graded')) return 'looked at, not graded';
  return codes.has('only-measured') ? 'measured, not looked at' : NOT_LOOKED_AT;
}
