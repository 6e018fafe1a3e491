import js from '@eslint/js';
import importX from 'eslint-plugin-import-x';
import a11y from 'eslint-plugin-jsx-a11y-x';
import lingui from 'eslint-plugin-lingui';
import hooks from 'eslint-plugin-react-hooks';
import { readdirSync } from 'node:fs';
import tseslint from 'typescript-eslint';

/** The rooms in their order: each sees what stands before it, and nothing behind. */
const order = [
  'shared',
  'measuring',
  'fitting',
  'conditioning',
  'wearing',
  'dogs',
  'handover',
  'round',
  'house',
  'people',
  'app',
];

const rooms = readdirSync(`${import.meta.dirname}/src`, { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map((entry) => entry.name);
const missing = [...rooms.filter((r) => !order.includes(r)), ...order.filter((r) => !rooms.includes(r))];
if (missing.length > 0)
  throw new Error(`The order of the rooms in eslint.config.js and the folders of src differ: ${missing.join(', ')}.`);

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
    files: ['**/*.ts', '**/*.tsx'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    plugins: { 'import-x': importX, lingui },
    settings: {
      'import-x/extensions': ['.ts', '.tsx'],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts', '.tsx'] },
      'import-x/resolver-next': [importX.createNodeResolver({ extensions: ['.ts', '.tsx'] })],
    },
    rules: {
      'import-x/no-cycle': 'error',
      'import-x/no-restricted-paths': ['error', { zones }],
      // The browser's store is met in one module, which says what becomes of things where it keeps none.
      'no-restricted-globals': ['error', 'localStorage', 'sessionStorage'],
      'no-restricted-properties': [
        'error',
        {
          object: 'crypto',
          property: 'randomUUID',
          message: 'It is missing where a page came by http: newId() makes one anywhere.',
        },
      ],
      // A promise nobody waits for loses its error, and the work with it.
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      // What is read comes through the table of words: a capital and small letters, or words with room between them, are a sentence.
      'lingui/no-unlocalized-strings': [
        'error',
        {
          useTsTypes: true,
          ignore: ['Jaunty Badge|repeat\\(|^(?![A-Z][a-z]+$)(?!.*[A-Za-z]{2,}[,.:;?]? +[A-Za-z]{2,})'],
          ignoreNames: [
            {
              regex: {
                pattern:
                  '^(grid|transition|boxShadow|css|path|d|viewBox|font|animation|base|sm|md|lg|to|overflow|margin|padding|min|max|w|h|name|alignItems|textDecoration)',
              },
            },
          ],
          ignoreFunctions: [
            'page',
            'api.*',
            'fetch',
            'Error',
            '*.querySelector',
            '*.startsWith',
            '*.matchMedia',
            '*.includes',
            'chakra',
            'useToken',
            'keys.*',
          ],
        },
      ],
      // Focus follows what a person asked to open; nothing takes it by itself when a page comes up.
      'jsx-a11y-x/no-autofocus': 'off',
    },
  },
  {
    files: [
      'src/shared/saving/device.ts',
      'src/shared/testing.ts',
      'src/shared/ids.ts',
      '**/*.test.ts',
      '**/*.test.tsx',
    ],
    rules: { 'no-restricted-globals': 'off', 'no-restricted-properties': 'off' },
  },
  { files: ['**/*.test.ts'], rules: { 'lingui/no-unlocalized-strings': 'off' } },
);
