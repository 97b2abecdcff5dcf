import js from '@eslint/js';
import comments from '@eslint-community/eslint-plugin-eslint-comments';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/**
 * The floors of the core, the lowest first, as its folders show them: the ground, what a maker owns, what they decided,
 * the stations in the order of the work, the plan that joins them, what spans jobs, and the files that come in and go
 * out. A folder may read those before it and none after it. (A word for each step of a path: `stations/size`.)
 */
const STATIONS = ['brief', 'size', 'art', 'stock', 'sheet', 'cut', 'crease', 'envelope', 'make', 'sell'];
const FLOORS = [
  ...['length', 'geometry', 'fold', 'scene'].map((room) => ['ground', room]),
  ['workshop'],
  ['job'],
  ...STATIONS.map((room) => ['stations', room]),
  ['plan'],
  ['shared'],
  ['shelf'],
  ['calendar'],
  ['files'],
];

/** The way from one room into a later one: down from the floor’s own folder, or from the top of the core. */
const into = ([floor], later) =>
  later
    .map(([otherFloor, other]) =>
      otherFloor === floor ? `(?:${floor}/)?${other}` : other === undefined ? otherFloor : `${otherFloor}/${other}`,
    )
    .map((path) => `^(?:\\./)?(?:\\.\\./)+(?:src/)?${path}/`)
    .join('|');

const forbid = (place, later) => ({
  files: [`core/src/${place.join('/')}/**/*.ts`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          ...(later.length === 0
            ? []
            : [{ regex: into(place, later), message: `${place.join('/')} comes before what it imports.` }]),
          ...OUTSIDE_CORE,
        ],
      },
    ],
  },
});

const OUTSIDE_CORE = [
  {
    regex: '^(react|react-dom|express|pg|node:.*|@zippy/.*)(/|$)',
    message: 'The core knows no page, server, file or clock.',
  },
];

export default tseslint.config(
  { ignores: ['**/node_modules', 'web/dist', 'built', 'built-*', '.data'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        setTimeout: 'readonly',
        setInterval: 'readonly',
        URL: 'readonly',
        fetch: 'readonly',
      },
    },
    linterOptions: { reportUnusedDisableDirectives: 'error' },
    plugins: { comments },
    rules: {
      // A rule that is switched off in a line says why.
      'comments/require-description': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-console': 'off',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  ...FLOORS.map((place, i) => forbid(place, FLOORS.slice(i + 1))),
  {
    // Longer ones say why, where they are switched off.
    files: ['core/src/**/*.ts', 'server/src/**/*.ts', 'cli/src/**/*.ts'],
    rules: { 'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }] },
  },
  {
    files: ['core/src/*.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: OUTSIDE_CORE }] },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'TemplateElement[value.raw=/#[0-9a-f]{3,8}\\b/i]',
          message: 'The interface’s colours stand in theme/tokens.ts; take one by its name.',
        },
      ],
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
