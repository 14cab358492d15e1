import type { Catalogs } from '@/model/catalogs';
import { FAMILIES } from '@/model/damage';
import type { Condition, FindingPattern, GradeRule } from '@/model/gradeRule';
import { modesOf } from '../catalogs/words';

interface RuleFault {
  /** Like `rules.3.when`. */
  readonly path: string;
  readonly message: string;
}

type Words = Pick<Catalogs, 'damage-words'>;

/** What is wrong with rules before they may hold: modes and places that no word of their families has, ids that stand twice, shares that are none. */
export function rulesFaults(rules: readonly GradeRule[], words: Words): RuleFault[] {
  const ids = rules.map(({ id }) => id);
  return rules.flatMap((rule, index) => [
    ...(ids.indexOf(rule.id) < index
      ? [{ path: `rules.${index}.id`, message: `Two rules are called “${rule.id}”.` }]
      : []),
    ...patternsIn(rule.when).flatMap((pattern) =>
      faultsOfPattern(pattern, rule, words).map((message) => ({ path: `rules.${index}.when`, message })),
    ),
  ]);
}

/** All that a condition says of findings, however deep it stands. */
export function patternsIn(condition: Condition): FindingPattern[] {
  if ('all' in condition) return condition.all.flatMap(patternsIn);
  if ('any' in condition) return condition.any.flatMap(patternsIn);
  if ('not' in condition) return patternsIn(condition.not);
  return 'finding' in condition ? [condition.finding] : [];
}

function faultsOfPattern(
  pattern: FindingPattern,
  { words: called, families }: GradeRule,
  words: Words,
): string[] {
  const known = (families ?? FAMILIES).flatMap((family) => modesOf(words, family));
  const of = pattern.mode ? known.filter(({ id }) => pattern.mode!.includes(id)) : known;
  const places = new Set(of.flatMap((mode) => mode.places));
  const unknownModes = (pattern.mode ?? []).filter((id) => !known.some((mode) => mode.id === id));
  const unknownPlaces = (pattern.place ?? []).filter((place) => !places.has(place));
  const shares = [pattern.shareUpTo, pattern.shareAbove].filter((share) => share !== undefined);
  return [
    ...unknownModes.map((id) => `“${called}”: no word of its kinds of part is called “${id}”.`),
    ...(unknownModes.length > 0
      ? []
      : unknownPlaces.map((place) => `“${called}”: its damage is never at “${place}”.`)),
    ...(shares.some((share) => share < 0 || share > 1) ? [`“${called}”: a share lies from 0 to 100 %.`] : []),
    ...(pattern.shareAbove !== undefined &&
    pattern.shareUpTo !== undefined &&
    pattern.shareAbove >= pattern.shareUpTo
      ? [
          `“${called}”: nothing lies above ${pattern.shareAbove * 100} % and up to ${pattern.shareUpTo * 100} %.`,
        ]
      : []),
  ];
}
