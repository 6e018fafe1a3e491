import js from '@eslint/js';
import importX from 'eslint-plugin-import-x';
import a11y from 'eslint-plugin-jsx-a11y-x';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** The rooms in their order: each sees what stands before it, and nothing behind. */
const order = ['shared', 'measuring', 'fitting', 'conditioning', 'dogs', 'round', 'house', 'app'];

/** Of the rooms of the job the fit alone looks at another: at the head that is drawn. */
const zones = order.flatMap((room, place) =>
  [...order.slice(place + 1), ...(room === 'conditioning' ? ['measuring', 'fitting'] : [])].map((other) => ({
    target: `./src/${room}`,
    from: `./src/${other}`,
  })),
);

export default tseslint.config(
  { ignores: ['src/shared/schema.d.ts', 'node_modules'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  hooks.configs.flat.recommended,
  a11y.configs.recommended,
  {
    plugins: { 'import-x': importX },
    settings: {
      'import-x/extensions': ['.ts', '.tsx'],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts', '.tsx'] },
      'import-x/resolver-next': [importX.createNodeResolver({ extensions: ['.ts', '.tsx'] })],
    },
    rules: {
      'import-x/no-cycle': 'error',
      'import-x/no-restricted-paths': ['error', { zones }],
      // Focus follows what a person asked to open; nothing takes it by itself when a page comes up.
      'jsx-a11y-x/no-autofocus': 'off',
    },
  },
);
