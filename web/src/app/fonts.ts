import '@fontsource/atkinson-hyperlegible-next/400.css';
import '@fontsource/atkinson-hyperlegible-next/700.css';
import '@fontsource/bricolage-grotesque/700.css';

// eslint-disable-next-line lingui/no-unlocalized-strings -- a font
const BOLD = "700 1em 'Atkinson Hyperlegible Next'";

/** Asks for the letters of what is bold with the first words, before there is any: coming after, they would push the page about. */
export const askForBold = () => void document.fonts.load(BOLD).catch(() => undefined);
