import type { GradeOrNone } from './damage';

/**
 * The grade's shape: a tooth in profile that loses metal, on a grid of 24. The rim runs from y 18.5 to 22,
 * a whole tooth rises to y 2. One set of paths serves screen, section and paper.
 */
const WHOLE = 'M2 22V18.5H5C7.2 14 7.6 8 8.6 2H15.4C16.4 8 16.8 14 19 18.5H22V22Z';
const PATHS: Record<'0' | '1' | '2' | '3' | '4' | '5', string> = {
  0: WHOLE,
  1: 'M2 22V18.5H5C6.9 14.6 7.5 10.5 8 7.6C8.4 5.4 9.8 4.2 12 4.2C14.2 4.2 15.6 5.4 16 7.6C16.5 10.5 17.1 14.6 19 18.5H22V22Z',
  2: 'M2 22V18.5H5C7.2 14 7.6 8 8.6 2H11.6C11.4 8.5 12.6 14.8 19 18.5H22V22Z',
  3: 'M2 22V18.5H5C6.4 15.6 7.2 12.8 7.6 10H9.4L12 15L14.6 10H16.4C16.8 12.8 17.6 15.6 19 18.5H22V22Z',
  4: 'M2 22V18.5H5C5.7 17.2 6.2 16.2 6.6 15H17.4C17.8 16.2 18.3 17.2 19 18.5H22V22Z',
  5: 'M2 22V18.5H5L6.6 13.4L8.2 16.4L9.4 11.6L11.2 17.4L9.8 22ZM13.4 22L12.6 18.6L14.6 14.8L15.8 17L17 14.2L19 18.5H22V22Z',
};

export const WHOLE_TOOTH = WHOLE;
/** The tooth above its rim: what the lost metal is shown by, as a hairline. */
export const TOOTH_FLANKS = 'M5 18.5C7.2 14 7.6 8 8.6 2H15.4C16.4 8 16.8 14 19 18.5';
export const gradePath = (grade: GradeOrNone): string => (grade === null ? WHOLE : PATHS[grade]);
