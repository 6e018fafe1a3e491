import type { Plugin, Rolldown } from 'vite';

/** What a page is made of that the first script does not bring along, as links that have it fetched at once. */
const linksTo = (names: string[], bundle: Rolldown.OutputBundle) => {
  const chunks = Object.values(bundle).filter((file) => file.type === 'chunk');
  const at = new Map(chunks.map((chunk) => [chunk.fileName, chunk]));
  const [scripts, sheets] = [new Set<string>(), new Set<string>()];
  const take = (file: string, into: Set<string>) => {
    if (into.has(file)) return;
    into.add(file);
    at.get(file)?.imports.forEach((next) => take(next, into));
  };
  const first = new Set<string>();
  chunks.filter((chunk) => chunk.isEntry).forEach((chunk) => take(chunk.fileName, first));
  for (const name of names) {
    const page = chunks.find((chunk) => chunk.name === name && chunk.isDynamicEntry);
    if (!page) throw new Error(`No page is called ${name}: see what vite.config.ts fetches ahead.`);
    take(page.fileName, scripts);
  }
  const more = [...scripts].filter((file) => !first.has(file));
  more.forEach((file) => at.get(file)?.viteMetadata?.importedCss.forEach((sheet) => sheets.add(sheet)));
  /* eslint-disable lingui/no-unlocalized-strings -- markup */
  return [
    ...more.map((file) => `<link rel="modulepreload" crossorigin href="/${file}">`),
    ...[...sheets].map((file) => `<link rel="stylesheet" crossorigin href="/${file}">`),
  ].join('');
  /* eslint-enable lingui/no-unlocalized-strings */
};

/**
 * What an address will show is fetched with the page that it begins with, rather than found out one after another. The server writes it into
 * what it answers (see its FrontPage); `*` stands for one part of an address. What every page loads in steps (see main.ts) stands in the page itself.
 */
export const ahead = (everywhere: string[], addresses: Record<string, string[]>): Plugin => ({
  name: 'ahead',
  apply: 'build',
  transformIndexHtml: {
    order: 'post',
    handler: (html, { bundle }) => html.replace('</head>', `${linksTo(everywhere, bundle ?? {})}</head>`),
  },
  generateBundle: {
    order: 'post',
    handler(_, bundle) {
      this.emitFile({
        type: 'asset',
        fileName: 'ahead.json',
        source: JSON.stringify(
          Object.entries(addresses).map(([address, pages]) => ({ address, links: linksTo(pages, bundle) })),
        ),
      });
    },
  },
});
