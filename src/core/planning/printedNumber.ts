/* The number printed on a part, held against the one that belongs there. */

/** Written with or without blanks, dashes and strokes a number is the same. */
const bare = (number: string): string => number.toUpperCase().replace(/[\s\-./_]+/g, '');

/**
 * What of a rolling bearing's number tells how it is closed, beginning with what is longest. Source: the usual suffixes of rolling
 * bearings; makers have others, which tell nothing here.
 */
const CLOSED: readonly (readonly [suffix: RegExp, words: string])[] = [
  [/(2RS\w{0,2}|LLU|DDU|2LS)$/, 'sealed on both sides'],
  [/(2Z|ZZ)$/, 'shielded on both sides'],
  [/(RS\w?|LU|DU)$/, 'sealed on one side'],
  [/Z$/, 'shielded on one side'],
];

/** How a bearing of this number is closed: `open` where nothing at its end says so; undefined where it is no bearing's number. */
export function closedAs(number: string): string | undefined {
  const text = bare(number);
  if (!/^(N|NU|NJ|NF|NUP)?\d{3,5}/.test(text)) return undefined;
  return CLOSED.find(([suffix]) => suffix.test(text))?.[1] ?? 'open';
}

/** In what a printed number isn't the one that belongs there, in words; undefined where both are the same. */
export function differenceOfNumbers(belongs: string, came: string): string | undefined {
  if (bare(belongs) === bare(came)) return undefined;
  const told = `marked ${came || 'with nothing'} instead of ${belongs}`;
  const [right, wrong] = [closedAs(belongs), closedAs(came)];
  return right && wrong && right !== wrong ? `${told}: ${wrong} where ${right} belongs` : told;
}
