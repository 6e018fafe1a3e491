import { createSystem, defineConfig } from '@chakra-ui/react';
import { defaultBaseConfig } from '@chakra-ui/react/preset-base';
import {
  animationStyles,
  breakpoints,
  buttonRecipe,
  checkboxSlotRecipe,
  checkmarkRecipe,
  cssVarsPrefix,
  cssVarsRoot,
  headingRecipe,
  inputRecipe,
  keyframes,
  layerStyles,
  linkRecipe,
  spinnerRecipe,
  textareaRecipe,
  textStyles,
  tokens,
} from '@chakra-ui/react/theme';

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

/** A panel's shadow, so far down and so soft, with an edge that parts it from a dark page. */
const shadow = (down: number, soft: number) => ({
  value: {
    // eslint-disable-next-line lingui/no-unlocalized-strings -- style
    _light: `0 ${down}px ${soft}px rgb(0 0 0 / 0.12), 0 0 1px rgb(0 0 0 / 0.3)`,
    // eslint-disable-next-line lingui/no-unlocalized-strings -- style
    _dark: `0 ${down}px ${soft}px rgb(0 0 0 / 0.64), 0 0 1px inset rgb(255 255 255 / 0.25)`,
  },
});

/** Chakra's own colours, as far as its shadows and components name them: all that is seen is ours. */
const { black, white, gray, current, transparent } = tokens.colors;

/**
 * What Chakra ships, with the recipes that first pages are made of and no others: any other component is handed its recipe where it is used, and
 * loads with it. Every token is worked out before the first page shows, so what is not used is not here.
 */
const chakra = defineConfig({
  disableLayers: true,
  cssVarsPrefix,
  cssVarsRoot,
  theme: {
    breakpoints,
    keyframes,
    tokens: { ...tokens, colors: { black, white, gray, current, transparent } },
    // Named by recipes; Chakra's own come with all of its colours.
    semanticTokens: {
      radii: { l1: { value: '{radii.xs}' }, l2: { value: '{radii.sm}' }, l3: { value: '{radii.md}' } },
      shadows: { xs: shadow(1, 2), sm: shadow(2, 4), md: shadow(4, 8), lg: shadow(8, 16), xl: shadow(16, 24) },
    },
    textStyles,
    layerStyles,
    animationStyles,
    recipes: {
      button: buttonRecipe,
      checkmark: checkmarkRecipe,
      heading: headingRecipe,
      input: inputRecipe,
      link: linkRecipe,
      spinner: spinnerRecipe,
      textarea: textareaRecipe,
    },
    slotRecipes: {
      checkbox: checkboxSlotRecipe,
    },
  },
});

/** As high as its words need, and never lower. */
const grows = (least: string) => ({ h: 'auto', minH: least, py: '1' });

/** Warm chalk, deep spruce, one marigold accent, brick only for stop and harm. */
const config = defineConfig({
  theme: {
    tokens: {
      fonts: {
        heading: { value: "'Bricolage Grotesque', 'Trebuchet MS', sans-serif" },
        body: { value: "'Atkinson Hyperlegible Next', 'Verdana', sans-serif" },
      },
      radii: { sm: { value: '4px' }, md: { value: '6px' }, lg: { value: '10px' } },
    },
    recipes: {
      // A button with many words grows by a line instead of running off a narrow screen.
      button: {
        base: { whiteSpace: 'normal', lineHeight: '1.2' },
        variants: { size: { '2xs': grows('6'), xs: grows('8'), sm: grows('9'), md: grows('10'), lg: grows('11') } },
      },
    },
    semanticTokens: {
      colors: {
        bg: {
          DEFAULT: pair('#f4f0e6', '#0f211d'),
          subtle: pair('#ebe5d6', '#162c27'),
          muted: pair('#e2dbc8', '#1f3932'),
          panel: pair('#f9f6ef', '#142822'),
          emphasized: pair('#d6cfbb', '#28443c'),
          inverted: pair('#16352f', '#efe9da'),
        },
        fg: {
          DEFAULT: pair('#16352f', '#efe9da'),
          muted: pair('#45605a', '#b4c2b8'),
          subtle: pair('#556b65', '#a3b3a9'),
          inverted: pair('#f9f6ef', '#10231e'),
          error: pair('#a03a26', '#f0957d'),
        },
        border: {
          DEFAULT: pair('#cbc3ae', '#35524a'),
          muted: pair('#cbc3ae', '#35524a'),
          emphasized: pair('#a9a48f', '#4b6a61'),
          strong: pair('#7d8a80', '#6f8c82'),
          error: pair('#a03a26', '#f0957d'),
        },
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
});

/** What the product looks like. */
export const look = [defaultBaseConfig, chakra, config];

/** The same as pages are drawn with: what is of every page is worked out when the product is built (see globals.ts), not on a phone. */
export const system = { ...createSystem(...look), _global: [] };
