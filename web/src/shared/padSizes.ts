/** What is tapped on the pad stays large under a thumb and yet on the screen, also lying flat and with text twice as large. */
export const padGo = { h: 'min(5rem, 14dvh)', minH: '44px', whiteSpace: 'normal', lineHeight: '1.1' } as const;

/** The rows above and below the goes. */
export const padRow = {
  h: 'min(3rem, 11dvh)',
  minH: '44px',
  px: '2',
  whiteSpace: 'normal',
  lineHeight: '1.1',
  fontSize: 'min(1rem, 4.8vw, 5dvh)',
} as const;

/** A phone lying flat: what is asked on the left, what is tapped on the right. */
// eslint-disable-next-line lingui/no-unlocalized-strings -- no words
export const lyingFlat = '@media (orientation: landscape) and (max-height: 32rem)';
