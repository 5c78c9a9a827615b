import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import ts from 'typescript-eslint';

/* Dependencies point one way: web -> contract -> core, server -> contract -> core. */
const INNER = ['contract', 'server', 'standins', 'web', 'e2e'].map((name) => `@bienestar/${name}`);
const NODE = ['node:*'];
const INTERFACE = [
  'react',
  'react-*',
  'react/*',
  'react-dom/*',
  'radix-ui',
  '@reduxjs/*',
  'chart.js',
];
const SERVICE = ['express', 'sequelize', 'mariadb', 'umzug', 'pino', 'pino-*', 'helmet'];

/** Forbids imports of packages, and of the folders beside a room. */
function mayNotImport(packages, rooms) {
  const group = [
    ...packages.flatMap((name) => [name, `${name}/**`]),
    ...rooms.flatMap((room) => [`**/../${room}/**`, `../${room}/**`, `../../${room}/**`]),
  ];
  return [
    'error',
    {
      patterns: [{ group, message: 'Dependencies point the other way: see docs/architecture.md.' }],
    },
  ];
}

export default ts.config(
  { ignores: ['**/node_modules', '**/dist', '.bienestar'] },
  js.configs.recommended,
  ...ts.configs.strictTypeChecked,
  {
    languageOptions: {
      parserOptions: {
        /* One program for all of them: a program each reads core seven times. */
        project: 'tsconfig.lint.json',
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { varsIgnorePattern: '^_', argsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/no-confusing-void-expression': 'off',
      /* Queries without an argument, and handlers that answer nothing or later, are written with void. */
      '@typescript-eslint/no-invalid-void-type': 'off',
      /* A type parameter that only names the answer is how ids and answers get their kind. */
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  { files: ['**/*.js', '**/*.mjs'], ...ts.configs.disableTypeChecked },
  { files: ['**/*.mjs', 'eslint.config.js'], languageOptions: { globals: globals.node } },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': mayNotImport(
        [...INNER, ...NODE, ...INTERFACE, ...SERVICE, 'joi'],
        ['contract', 'server', 'web'],
      ),
    },
  },
  {
    files: ['contract/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': mayNotImport(
        ['@bienestar/server', '@bienestar/web', ...NODE, ...INTERFACE, ...SERVICE],
        ['server', 'web'],
      ),
    },
  },
  {
    files: ['server/**/*.ts'],
    rules: { 'no-restricted-imports': mayNotImport(['@bienestar/web', ...INTERFACE], ['web']) },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    ...hooks.configs.flat.recommended,
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', 'web/vite.config.ts'],
    rules: {
      /* The schemas bring Joi along, which the first view does not need: the server checks. */
      'no-restricted-imports': mayNotImport(
        [
          '@bienestar/server',
          ...SERVICE,
          ...NODE,
          'joi',
          '@bienestar/contract/schemas',
          '@bienestar/contract/rules',
        ],
        ['server'],
      ),
    },
  },
  {
    files: ['**/*.test.ts', '**/testing/**', 'e2e/**', 'tools/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off', 'no-console': 'off' },
  },
);
