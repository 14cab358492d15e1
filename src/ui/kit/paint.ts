/** A colour of the theme for plain SVG, where style props would be read as sizes. Follows the shift by itself. */
export const paint = (token: string): string =>
  token === 'none'
    ? 'none'
    : `var(--chakra-colors-${token.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)})`;
