import type { Check, Limit } from '@/model/checks';
import { describeLimit } from '../report/describeMeasurement';
import { limitKey } from './limitRows';

/** What differs between two revisions of a sheet, in sentences. */
export function sheetChanges(before: readonly Check[], after: readonly Check[]): string[] {
  const gone = before.filter(({ id }) => !after.some((check) => check.id === id));
  return [
    ...gone.map(({ title }) => `${title} is no longer checked`),
    ...after.flatMap((check) => {
      const old = before.find(({ id }) => id === check.id);
      return old
        ? [...readingChanges(old, check), ...limitChanges(old, check)]
        : [`${check.title} is checked now`, ...limitChanges({ limits: [] }, check)];
    }),
  ];
}

const READING = ['title', 'howTo', 'places', 'every', 'statistic', 'typical', 'unit'] as const;

function readingChanges(before: Check, after: Check): string[] {
  const differs = READING.some((part) => JSON.stringify(before[part]) !== JSON.stringify(after[part]));
  return differs ? [`${after.title} is read or judged in another way`] : [];
}

function limitChanges(before: Pick<Check, 'limits'>, after: Check): string[] {
  const keys = new Set([...before.limits, ...after.limits].map(limitKey));
  return [...keys].flatMap((key) => {
    const find = (limits: readonly Limit[]) => limits.find((limit) => limitKey(limit) === key);
    const [old, now] = [find(before.limits), find(after.limits)];
    const [was, is] = [wordsOf(old), wordsOf(now)];
    return was === is ? [] : [`${after.title}, ${key}: ${was} → ${is}`];
  });
}

function wordsOf(limit: Limit | undefined): string {
  if (!limit) return 'none';
  const more = [
    ...(limit.aim === undefined ? [] : [`aim ${limit.aim}`]),
    ...(limit.variation === undefined ? [] : [`variation ${limit.variation}`]),
  ];
  return [describeLimit(limit), ...more].join(', ');
}
