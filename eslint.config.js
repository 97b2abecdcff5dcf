import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** In the order of the work: a station may read an earlier one, never a later one. */
const GROUND = ['length', 'geometry', 'fold', 'scene', 'job'];
const STATIONS = ['brief', 'size', 'art', 'stock', 'sheet', 'cut', 'crease', 'envelope', 'make', 'sell'];
const ABOVE = ['plan', 'write'];

const forbid = (files, folders, message) => ({
  files: [files],
  rules: {
    'no-restricted-imports': [
      'error',
      { patterns: [{ regex: `^\\.\\./(?:${folders.join('|')})/`, message }, ...OUTSIDE_CORE] },
    ],
  },
});

const OUTSIDE_CORE = [
  {
    regex: '^(react|react-dom|express|pg|node:.*|@zippy/.*)(/|$)',
    message: 'The core knows no page, server, file or clock.',
  },
];

// The job's schema asks Size for its limits, so that they stand in one place.
const groundMayNot = [...STATIONS, ...ABOVE];

export default tseslint.config(
  { ignores: ['**/node_modules', 'web/dist', '.data'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    languageOptions: {
      globals: { process: 'readonly', console: 'readonly', setTimeout: 'readonly', URL: 'readonly', fetch: 'readonly' },
    },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-console': 'off',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  ...GROUND.map((folder) => forbid(`core/src/${folder}/**/*.ts`, groundMayNot, 'The ground lies under the stations.')),
  ...STATIONS.map((folder, i) =>
    forbid(
      `core/src/${folder}/**/*.ts`,
      [...STATIONS.slice(i + 1), ...ABOVE],
      `${folder} comes before what it imports.`,
    ),
  ),
  {
    files: ['core/src/job/schema.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: OUTSIDE_CORE }] },
  },
  {
    files: ['core/src/plan/**/*.ts', 'core/src/write/**/*.ts', 'core/src/index.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: OUTSIDE_CORE }] },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { regex: '^@zippy/(server|cli)', message: 'The page talks to the server over HTTP.' },
            { regex: '(^|/)core/src/', message: 'Use the core’s one way in: @zippy/core.' },
          ],
        },
      ],
    },
  },
  {
    files: ['cli/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^@zippy/(web|server)(?!/exports$)',
              message: 'The command line uses the core and the exports alone.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['server/src/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '^@zippy/(web|cli)', message: 'Imports point downward.' }] },
      ],
    },
  },
  {
    files: ['**/*.cjs'],
    languageOptions: { sourceType: 'commonjs', globals: { require: 'readonly', module: 'writable' } },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  {
    files: ['**/test/**/*.ts', '**/*.test.ts', 'e2e/**/*.ts'],
    rules: { '@typescript-eslint/no-unused-expressions': 'off' },
  },
);
