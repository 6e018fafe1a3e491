import { ChakraProvider, createSystem, defineConfig } from '@chakra-ui/react';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { look } from './theme';

/* eslint-disable lingui/no-unlocalized-strings -- style */
const thumb = '@media (pointer: coarse)';

/** A link that stands by itself. */
const link = 'a:not(:is(p, td, dd, b, span, h1, h2, h3, svg) a)';

/** What a thumb taps. Links within a sentence stay part of it; steppers stand beside a field that is typed in. */
const tapped = [
  'button:not([data-scope=number-input])',
  'summary',
  'select',
  'textarea',
  link,
  'input:not([type=checkbox], [type=radio], [type=file])',
  'label:has(> input:is([type=checkbox], [type=radio]))',
].join();

const ringed = '2px solid Highlight';
const picked = '[aria-pressed=true], [aria-checked=true], [aria-current=page], [aria-current=step]';

/** What there is to press or to type in: none of it is of use on paper, but what was picked says so and a row that is pressed is read as well. */
const pressed = [
  'main button:not([data-prints], [aria-pressed=true])',
  'main a.chakra-button',
  'main label:has(> input)',
  'main :is(input, select, textarea)',
].join();

/* eslint-enable lingui/no-unlocalized-strings */

/**
 * What Chakra's parts stand on, whatever the page. Chakra's own says it of every element and of what is before and after each, with a score of variables that
 * nothing here reads: a phone would work that out anew for hundreds of elements whenever something appears.
 */
const everywhere = defineConfig({
  preflight: true,
  globalCss: {
    html: {
      color: 'fg',
      bg: 'bg',
      '--global-font-mono': 'fonts.mono',
      '--global-font-body': 'fonts.body',
      '--global-color-border': 'colors.border',
      '&::selection': { bg: 'colorPalette.emphasized/80' },
    },
    '*::placeholder, *[data-placeholder]': { color: 'fg.muted/80' },
  },
});

const ours = defineConfig({
  globalCss: {
    html: { colorPalette: 'spruce' },
    body: { bg: 'bg', color: 'fg', fontFamily: 'body', fontVariantNumeric: 'tabular-nums', lineHeight: 1.45 },
    // A name of sixty letters without a space is broken rather than let it widen the page.
    'h1, h2, h3, main a': { overflowWrap: 'anywhere' },
    'nav a': { overflowWrap: 'break-word !important', [thumb]: { justifyContent: 'center' } },
    'a, button': { maxWidth: '100%' },
    // Drawings are of the world: where a page is read from the right they stay as they are.
    svg: { direction: 'ltr' },
    // A thumb needs a centimetre.
    [tapped]: { [thumb]: { minHeight: '44px !important', minWidth: '44px !important' } },
    [link]: { [thumb]: { alignContent: 'center' } },
    summary: { [thumb]: { paddingBlock: '0.6em' } },
    'h1, h2, h3': { fontFamily: 'heading', letterSpacing: '-0.015em' },
    '*:focus-visible': {
      outlineColor: 'colorPalette.focusRing',
      outlineWidth: '2px',
      outlineOffset: '2px',
      outlineStyle: 'solid',
    },
    'header, nav, .no-print': { _print: { display: 'none !important' } },
    [pressed]: { _print: { display: 'none !important' } },
    'html, body': { _print: { background: 'white !important' } },
    'h1, h2, h3, summary': { _print: { breakAfter: 'avoid' } },
    'li, tr, figure': { _print: { breakInside: 'avoid' } },
    // Where the system's colours are forced, what is picked is not told by colour.
    [picked]: { '@media (forced-colors: active)': { outline: ringed, outlineOffset: '-2px' } },
    '*, *::before, *::after': {
      _motionReduce: { animationDuration: '0s !important', transitionDuration: '0s !important' },
    },
  },
});

const system = createSystem(...look, everywhere, ours);

const everyElement = '*,*::before,*::after,*::backdrop{';

/** Chakra's own reset, its variables and what holds of every page, as one sheet of styles: made when the product is built (see globals.plugin.ts). */
export function css() {
  const made = renderToStaticMarkup(createElement(ChakraProvider, { value: system, children: null })).replaceAll(
    /<[/]?style[^>]*>/g,
    '',
  );
  if (!made.includes(everyElement))
    throw new Error('Chakra no longer says it so: see what it resets before and after every element.');
  return made.replace(everyElement, '*{');
}
