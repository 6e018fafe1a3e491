import { createSystem, defaultConfig, defineConfig } from '@chakra-ui/react';

const pair = (light: string, dark: string) => ({ value: { _light: light, _dark: dark } });

/** A colour palette the way Chakra's components read one. */
const palette = (
  solid: [string, string],
  contrast: [string, string],
  soft: [string, string],
  text: [string, string],
) => ({
  solid: pair(...solid),
  contrast: pair(...contrast),
  fg: pair(...text),
  muted: pair(...soft),
  subtle: pair(...soft),
  emphasized: pair(...soft),
  focusRing: pair('#16352f', '#f0b340'),
  border: pair('#b9b29c', '#4b6a61'),
});

/** Warm chalk, deep spruce, one marigold accent, brick only for stop and harm. */
const config = defineConfig({
  theme: {
    tokens: {
      fonts: {
        heading: { value: "'Bricolage Grotesque Variable', 'Trebuchet MS', sans-serif" },
        body: { value: "'Atkinson Hyperlegible Next Variable', 'Verdana', sans-serif" },
      },
      radii: { sm: { value: '4px' }, md: { value: '6px' }, lg: { value: '10px' } },
    },
    semanticTokens: {
      colors: {
        bg: {
          DEFAULT: pair('#f4f0e6', '#0f211d'),
          subtle: pair('#ebe5d6', '#162c27'),
          muted: pair('#e2dbc8', '#1f3932'),
          panel: pair('#f9f6ef', '#142822'),
        },
        fg: {
          DEFAULT: pair('#16352f', '#efe9da'),
          muted: pair('#45605a', '#b4c2b8'),
          subtle: pair('#556b65', '#a3b3a9'),
        },
        border: { DEFAULT: pair('#cbc3ae', '#35524a'), strong: pair('#7d8a80', '#6f8c82') },
        accent: pair('#e3a11b', '#f0b340'),
        accentInk: pair('#7a4f00', '#f0b340'),
        stop: pair('#a03a26', '#f0957d'),
        spruce: palette(['#16352f', '#efe9da'], ['#f9f6ef', '#10231e'], ['#e2dbc8', '#24413a'], ['#16352f', '#efe9da']),
        marigold: palette(
          ['#e3a11b', '#f0b340'],
          ['#1d2b12', '#1d2b12'],
          ['#f3dfae', '#4a3c14'],
          ['#7a4f00', '#f0b340'],
        ),
        brick: palette(['#a03a26', '#e08a74'], ['#fff8f2', '#2a0f08'], ['#f1d6cd', '#4d2319'], ['#a03a26', '#f0957d']),
      },
    },
  },
  globalCss: {
    html: { colorPalette: 'spruce' },
    body: { bg: 'bg', color: 'fg', fontFamily: 'body', fontVariantNumeric: 'tabular-nums', lineHeight: 1.45 },
    'h1, h2, h3': { fontFamily: 'heading', letterSpacing: '-0.015em' },
    '*:focus-visible': {
      outlineColor: 'colorPalette.focusRing',
      outlineWidth: '2px',
      outlineOffset: '2px',
      outlineStyle: 'solid',
    },
    'header, nav, .no-print': { _print: { display: 'none !important' } },
    '*, *::before, *::after': {
      _motionReduce: { animationDuration: '0s !important', transitionDuration: '0s !important' },
    },
  },
});

export const system = createSystem(defaultConfig, config);
