import { runnerImport, type Plugin } from 'vite';

const sheet = /^virtual:globals[.]css$/;

/** The styles of every page, worked out once where the product is built: a phone would take a quarter of a second for them. */
export const globals = (): Plugin => ({
  name: 'globals',
  resolveId: { filter: { id: sheet }, handler: (id) => id },
  load: {
    filter: { id: sheet },
    handler: async () => {
      const { module } = await runnerImport<{ css: string }>('./src/app/globals.ts', { root: import.meta.dirname });
      return module.css;
    },
  },
});
