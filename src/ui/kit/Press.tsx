'use client';

import { chakra } from '@chakra-ui/react';

/** Everything that is pressed: 44 px at least, 56 where it is pressed most at the bench. */
export const Press = chakra(
  'button',
  {
    base: {
      display: 'inline-flex',
      alignItems: 'center',
      justifyContent: 'center',
      gap: '8px',
      minHeight: '44px',
      minWidth: '44px',
      paddingInline: '16px',
      border: '1.5px solid',
      borderColor: 'ink',
      borderRadius: '2px',
      bg: 'transparent',
      color: 'ink',
      fontStretch: '87.5%',
      fontWeight: 600,
      fontSize: '15px',
      lineHeight: '20px',
      cursor: 'pointer',
      textAlign: 'center',
      touchAction: 'manipulation',
      _disabled: { color: 'second', borderColor: 'rule', cursor: 'not-allowed' },
    },
    variants: {
      kind: {
        plain: {},
        main: {
          bg: 'blue',
          borderColor: 'blue',
          color: 'onBlue',
          _disabled: { bg: 'transparent', color: 'second', borderColor: 'rule' },
        },
        take: {
          bg: 'blue',
          borderColor: 'blue',
          color: 'brass',
          fontSize: '20px',
          _dark: { bg: 'brass', borderColor: 'brass', color: '#13252C' },
        },
        danger: { borderColor: 'oxide', color: 'oxide' },
        quiet: {
          border: 'none',
          textDecoration: 'underline',
          textUnderlineOffset: '3px',
          paddingInline: '8px',
          fontWeight: 400,
          whiteSpace: 'nowrap',
        },
        onBlue: { borderColor: 'onBlueSecond', color: 'onBlue' },
        undo: { borderColor: 'brass', color: 'brass' },
      },
      size: {
        office: {},
        bench: { minHeight: '56px', fontSize: '17px' },
        row: { minHeight: '36px', paddingInline: '12px' },
      },
      chosen: { true: { bg: 'blue', borderColor: 'blue', color: 'brass' } },
    },
    defaultVariants: { kind: 'plain', size: 'office' },
  },
  { defaultProps: { type: 'button' } },
);

/** A link that looks and measures like something to press. */
export const PressLink = chakra('a', {
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    justifyContent: 'center',
    gap: '8px',
    minHeight: '44px',
    paddingInline: '16px',
    border: '1.5px solid',
    borderColor: 'ink',
    borderRadius: '2px',
    color: 'ink',
    fontStretch: '87.5%',
    fontWeight: 600,
  },
  variants: {
    kind: {
      plain: {},
      main: { bg: 'blue', borderColor: 'blue', color: 'onBlue' },
      onBlue: { borderColor: 'onBlueSecond', color: 'onBlue' },
    },
  },
});
