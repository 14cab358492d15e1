/** Captures that were not struck out; the struck ones stay readable but count for nothing. */
export const findActive = <C extends { readonly struck: unknown }>(captures: readonly C[]): C[] =>
  captures.filter((capture) => capture.struck === null);
