import { runnerImport, type Plugin } from 'vite';

const sheet = /^virtual:globals[.]css$/;

/** The styles of every page, worked out once where the product is built: a phone would take a quarter of a second for them. */
export const globals = (): Plugin => ({
  name: 'globals',
  resolveId: { filter: { id: sheet }, handler: (id) => id },
  load: {
    filter: { id: sheet },
    handler: async () => {
      const { module } = await runnerImport<{ css: () => string }>('./src/app/globals.ts', {
        root: import.meta.dirname,
      });
      return module.css();
    },
  },
});

const eager = 'const _global = [getPreflightCss(), getGlobalCss(), getTokenCss()];';

/** Chakra works the same styles out again wherever a page starts, asked or not: a tenth of a second on a phone, for what has come as a sheet. */
export const noSecondGlobals = (): Plugin => ({
  name: 'no-second-globals',
  apply: 'build',
  transform: {
    filter: { id: /@chakra-ui.react.dist.esm.styled-system.system\.js$/ },
    handler(code) {
      if (!code.includes(eager))
        this.error('Chakra no longer says it so: see whether it still works out its styles eagerly.');
      return code.replace(eager, 'const _global = [];');
    },
  },
});
