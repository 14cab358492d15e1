/** What begins with `=`, `+`, `-` or `@` and is no figure a program may take for a sum: it stays text. */
export const csvText = (words: string): string =>
  /^[=+\-@]/.test(words) && !/^[+-]?\d+([.,]\d+)?$/.test(words) ? `'${words}` : words;
