import type { Catalogs } from '@/model/catalogs';
import { FAMILIES, FAMILY_NAMES } from '@/model/damage';
import type { Condition, FindingPattern, GradeRule } from '@/model/gradeRule';
import { modesOf } from '../catalogs/words';

type Words = Pick<Catalogs, 'damage-words'>;

const VERDICTS = {
  within: 'within its limit',
  beyond: 'beyond its limit',
  'too-close': 'too close to call',
  'no-limit': 'without a limit',
};

/** When a rule holds, as a sentence that a lead reads before he changes it. */
export function tellRule({ when, families }: GradeRule, words: Words): string {
  const of = families ? families.map((family) => FAMILY_NAMES[family]).join(', ') : 'Any part';
  return `${of}: ${tell(when, words)}.`;
}

function tell(condition: Condition, words: Words): string {
  if ('all' in condition) return condition.all.map((part) => tell(part, words)).join(', and ');
  if ('any' in condition) return condition.any.map((part) => tell(part, words)).join('; or ');
  if ('not' in condition) return `not (${tell(condition.not, words)})`;
  if ('verdict' in condition)
    return `a measurement is ${condition.verdict.map((verdict) => VERDICTS[verdict]).join(' or ')}`;
  return tellPattern(condition.finding, words);
}

const percent = (share: number) => `${Math.round(share * 1000) / 10} %`;

function tellPattern(pattern: FindingPattern, words: Words): string {
  const { mode, place, severity, shareUpTo, shareAbove, shareGiven, countUpTo, progressive, otherwise } =
    pattern;
  return [
    mode ? mode.map((id) => termOf(id, words)).join(' or ') : 'any damage',
    place ? `at ${place.join(' or ')}` : '',
    severity ? severity.join(' or ') : '',
    shareAbove === undefined ? '' : `above ${percent(shareAbove)}`,
    shareUpTo === undefined ? '' : `up to ${percent(shareUpTo)}`,
    shareGiven === undefined ? '' : shareGiven ? 'its extent given' : 'its extent not given',
    countUpTo === undefined ? '' : `on no more than ${countUpTo}`,
    progressive === undefined
      ? ''
      : progressive
        ? 'that goes on getting worse'
        : 'that doesn’t get worse by itself',
    otherwise ? 'that no rule of its own covers' : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** The term of a mode, whichever family has it; the id where none does. */
export const termOf = (id: string, words: Words): string =>
  FAMILIES.flatMap((family) => modesOf(words, family)).find((mode) => mode.id === id)?.term ?? id;

type BoundName = 'shareUpTo' | 'shareAbove' | 'countUpTo';
export interface Bound {
  readonly name: BoundName;
  readonly value: number;
  readonly words: string;
}

const BOUND_WORDS: Readonly<Record<BoundName, string>> = {
  shareUpTo: '% up to',
  shareAbove: '% above',
  countUpTo: 'at most',
};
const BOUNDS = Object.keys(BOUND_WORDS) as BoundName[];

/** The figures in a rule that a shop may want otherwise. One figure that stands in it twice is one bound: it moves as one. */
export function boundsOf(condition: Condition): Bound[] {
  const found = new Map<string, Bound>();
  walk(condition, (pattern) => {
    for (const name of BOUNDS) {
      const value = pattern[name];
      if (value !== undefined) found.set(`${name} ${value}`, { name, value, words: BOUND_WORDS[name] });
    }
    return pattern;
  });
  return [...found.values()];
}

/** The condition with one of its figures changed, wherever that stands in it. */
export const withBound = (
  condition: Condition,
  { name, value }: Pick<Bound, 'name' | 'value'>,
  to: number,
): Condition =>
  walk(condition, (pattern) => (pattern[name] === value ? { ...pattern, [name]: to } : pattern));

function walk(condition: Condition, change: (pattern: FindingPattern) => FindingPattern): Condition {
  if ('all' in condition) return { all: condition.all.map((part) => walk(part, change)) };
  if ('any' in condition) return { any: condition.any.map((part) => walk(part, change)) };
  if ('not' in condition) return { not: walk(condition.not, change) };
  return 'finding' in condition ? { finding: change(condition.finding) } : condition;
}
