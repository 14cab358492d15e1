import { createSystem, defineConfig } from '@chakra-ui/react';
import { defaultBaseConfig } from '@chakra-ui/react/preset-base';

const tone = (day: string, night: string) => ({ value: { base: day, _dark: night } });

/**
 * Marking-out blue, bone paper, brass where something is now, next or chosen (on blue only), oxide red for
 * grades 4 and 5 and for danger. Two shifts: day and night. Of the component library's own look nothing is taken: what of it is used
 * is dressed here, and its recipes for the rest need not be sent.
 */
const config = defineConfig({
  preflight: true,
  cssVarsRoot: ':where(html, .chakra-theme)',
  globalCss: {
    'html, body': {
      bg: 'paper',
      color: 'ink',
      fontFamily: 'body',
      fontSize: '15px',
      lineHeight: '20px',
      fontVariantNumeric: 'tabular-nums',
    },
    body: { minHeight: '100dvh' },
    '::placeholder': { color: 'second', opacity: 1 },
    '*:focus-visible': { outline: '3px solid', outlineColor: 'focus', outlineOffset: '3px' },
    'h1, h2, h3': { fontStretch: '87.5%', fontWeight: 650, fontSize: '20px', lineHeight: '24px' },
    'table, th, td, label': { fontStretch: '87.5%' },
    '[data-position]:focus-visible': { outline: 'none', stroke: 'focus', strokeWidth: '3px' },
    '*, *::before, *::after': {
      _motionReduce: { transitionDuration: '0s !important', animationDuration: '0s !important' },
    },
  },
  theme: {
    breakpoints: { sm: '480px', md: '768px', lg: '1024px', xl: '1280px' },
    tokens: {
      fonts: {
        body: { value: "'Open Sans Variable', system-ui, sans-serif" },
        heading: { value: "'Open Sans Variable', system-ui, sans-serif" },
      },
    },
    semanticTokens: {
      colors: {
        paper: tone('#F4EFE2', '#0A1E26'),
        field: tone('#FFFFFF', '#10282F'),
        ink: tone('#13252C', '#EEE7D7'),
        second: tone('#47555A', '#A8B6B7'),
        blue: tone('#0C4052', '#11475A'),
        bar: tone('#0C4052', '#0D2F3C'),
        metal: tone('#0C4052', '#EEE7D7'),
        onBlue: tone('#F4EFE2', '#EEE7D7'),
        onBlueSecond: tone('#C4D3D4', '#A8B6B7'),
        onBlueRule: tone('#637F88', '#47606A'),
        brass: tone('#E3B354', '#E3B354'),
        oxide: tone('#98290F', '#F2917A'),
        oxideOnBlue: tone('#F2917A', '#F2917A'),
        rule: tone('#7B827C', '#6A8089'),
        zinc: tone('#CFCDC0', '#CFCDC0'),
        zincInk: tone('#13252C', '#13252C'),
        band: tone('#E4DCC7', '#11475A'),
        sectionCavity: tone('#E6E2D2', '#0F2830'),
        sectionCut: tone('#FBF9F2', '#14323C'),
        sectionSteel: tone('#D3DCD6', '#24505C'),
        sectionLand: tone('#EEF1EB', '#3A6B77'),
        focus: tone('#0C4052', '#E3B354'),
      },
    },
  },
});

export const system = createSystem(defaultBaseConfig, config);
