import type * as v from 'valibot';

/** What is wrong with one field, for people. Messages of our own stay; those that only name types of data are put in words. */
export const inWords = (issue: Pick<v.BaseIssue<unknown>, 'type' | 'message'>): string =>
  issue.message.startsWith('Invalid') ? (NEEDED[issue.type] ?? 'this is not as it should be') : issue.message;

const NEEDED: Readonly<Record<string, string>> = {
  number: 'a number is needed',
  string: 'something has to stand here',
  array: 'a list is needed',
  tuple: 'two of them are needed',
  picklist: 'choose one of those offered',
  union: 'choose one of those offered',
  variant: 'choose one of those offered',
  object: 'this is missing or not described yet',
  strict_object: 'this is not known here',
  boolean: 'yes or no is needed',
  min_length: 'at least one is needed',
  max_length: 'these are too many',
  min_value: 'this is too small',
  max_value: 'this is too large',
  integer: 'a whole number is needed',
  finite: 'a figure is needed',
  regex: 'this is not written as it should be',
};

/**
 * Where in what was sent something is wrong, for people: `customerContact` is “customer contact”, `checks.0.positions` is “checks,
 * 1st, positions”; what has a name or a title of its own is called by it.
 */
export function placeInWords(path: string, content?: unknown): string {
  let at: unknown = content;
  const steps = path.split('.').filter((step) => step !== '');
  const words = steps.map((step) => {
    at = at !== null && typeof at === 'object' ? (at as Record<string, unknown>)[step] : undefined;
    return /^\d+$/.test(step) ? (nameOf(at) ?? ordinal(Number(step) + 1)) : spaced(step);
  });
  const told = words.join(', ');
  return told === '' ? 'What was sent' : `${told[0]?.toUpperCase()}${told.slice(1)}`;
}

const spaced = (field: string): string =>
  field.replace(/([a-z])([A-Z])/g, (_, low: string, high: string) => `${low} ${high.toLowerCase()}`);

function nameOf(entry: unknown): string | undefined {
  if (entry === null || typeof entry !== 'object') return undefined;
  const { title, name, gear } = entry as Record<string, unknown>;
  const found = [title, name, gear].find((each) => typeof each === 'string' && each !== '');
  return found === undefined ? undefined : `“${String(found)}”`;
}

function ordinal(n: number): string {
  const teen = n % 100 >= 11 && n % 100 <= 13;
  return `${n}${teen ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th')}`;
}
