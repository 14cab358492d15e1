/**
 * A letter follows the day or night of whoever reads it, also where no program runs on the page: the theme's night colours by the reader's
 * own wish. They are those of `kit/theme`.
 */
export const NIGHT_OF_READER = {
  '@media screen and (prefers-color-scheme: dark)': {
    ':root': {
      '--chakra-colors-paper': '#0A1E26',
      '--chakra-colors-field': '#10282F',
      '--chakra-colors-ink': '#EEE7D7',
      '--chakra-colors-second': '#A8B6B7',
      '--chakra-colors-blue': '#11475A',
      '--chakra-colors-bar': '#0D2F3C',
      '--chakra-colors-metal': '#EEE7D7',
      '--chakra-colors-on-blue': '#EEE7D7',
      '--chakra-colors-on-blue-second': '#A8B6B7',
      '--chakra-colors-oxide': '#F2917A',
      '--chakra-colors-rule': '#6A8089',
      '--chakra-colors-band': '#11475A',
      '--chakra-colors-section-cavity': '#0F2830',
      '--chakra-colors-section-cut': '#14323C',
      '--chakra-colors-section-steel': '#24505C',
      '--chakra-colors-section-land': '#3A6B77',
      '--chakra-colors-focus': '#E3B354',
      colorScheme: 'dark',
    },
  },
} as const;

/** On paper: ink on white, the reply slip on a page of its own. */
export const ON_PAPER = {
  '.only-on-paper': { display: 'none' },
  '@media print': {
    '@page': { margin: '16mm' },
    'html, body': { background: '#fff', color: '#000' },
    '.not-on-paper': { display: 'none !important' },
    '.only-on-paper': { display: 'block' },
    '.own-page': { breakBefore: 'page' },
    'figure, li': { breakInside: 'avoid' },
    'details::details-content': { contentVisibility: 'visible' },
  },
} as const;
