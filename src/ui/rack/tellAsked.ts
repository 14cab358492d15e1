/** Questions to colleagues that are open on a unit, in words; empty where there are none. */
export const tellAsked = (asked: number): string =>
  asked === 0 ? '' : asked === 1 ? 'A colleague is asked' : `${asked} questions to colleagues`;
