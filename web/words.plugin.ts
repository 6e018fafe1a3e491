import { transformAsync } from '@babel/core';
import macros from '@lingui/babel-plugin-lingui-macro';
import type { Plugin } from 'vite';

/** What is marked with `t` and `Trans` becomes a look-up in the table of words, beside its English. */
export const words = (): Plugin => ({
  name: 'words',
  enforce: 'pre',
  transform: async (code, id) => {
    if (!/\.tsx?$/.test(id) || !code.includes('/macro')) return null;
    const made = await transformAsync(code, {
      filename: id,
      configFile: false,
      babelrc: false,
      sourceMaps: true,
      parserOpts: { plugins: ['typescript', 'jsx'] },
      plugins: [[macros, { stripMessageField: false }]],
    });
    return made?.code ? { code: made.code, map: made.map } : null;
  },
});
