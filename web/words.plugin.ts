import { transformAsync, types, type PluginObj } from '@babel/core';
import macros from '@lingui/babel-plugin-lingui-macro';
import { compileMessage } from '@lingui/message-utils/compileMessage';
import type { Plugin } from 'vite';

/** A sentence with places in it is taken apart here, so that no page brings along what can read one. */
const takenApart = (text: string) => {
  const parts = compileMessage(text);
  return types.valueToNode(parts.length === 1 && typeof parts[0] === 'string' ? parts[0] : parts);
};

const compiled: PluginObj = {
  visitor: {
    Program: {
      exit: (program) => {
        program.traverse({
          ObjectExpression: ({ node }) => {
            const named = (name: string) =>
              node.properties.find((p) => types.isObjectProperty(p) && types.isIdentifier(p.key, { name }));
            const message = named('message');
            if (!named('id') || !types.isObjectProperty(message) || !types.isStringLiteral(message.value)) return;
            message.value = takenApart(message.value.value);
          },
        });
      },
    },
  },
};

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
      plugins: [[macros, { stripMessageField: false }], compiled],
    });
    return made?.code ? { code: made.code, map: made.map } : null;
  },
});
