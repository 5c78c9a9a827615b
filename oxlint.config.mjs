import { defineConfig } from 'oxlint';

/*
 * What may import what. Dependencies point one way: web -> contract -> core, server -> contract -> core;
 * and inside core from each room only to rooms before it in this list.
 */
const CORE_ROOMS = [
  'problem',
  'quantity',
  'zone',
  'days',
  'house',
  'calendar',
  'protocol',
  'time',
  'dose',
  'mix',
  'draws',
  'stock',
  'cost',
  'price',
  'figures',
  'offer',
  'care',
  'restock',
  'week',
  'review',
  'report',
  'explain',
  'priceLists',
  'pasted',
  'room',
  'run',
  'logbook',
  'stepLine',
  'watch',
  'whatIf',
  'learn',
];

const OTHER_WAY = 'Dependencies point the other way: see docs/architecture.md.';
const INTERFACE = 'react|react-dom|react-router|react-redux|radix-ui|@reduxjs/toolkit|chart\\.js';
const SERVICE = 'express|sequelize|mariadb|umzug|pino|pino-http|helmet';

/**
 * Forbids imports of packages, of workspaces by their name, and of folders beside a room.
 * @param {string[]} packages
 * @param {string[]} rooms
 */
function mayNotImport(packages, rooms) {
  const names = [...packages, ...rooms.map((room) => `@bienestar/${room}`)].join('|');
  const patterns = [{ regex: `^(${names})(/|$)`, message: OTHER_WAY }];
  if (rooms.length > 0) {
    patterns.push({ regex: `^(\\.\\./)+(${rooms.join('|')})/`, message: OTHER_WAY });
  }
  return ['error', { patterns }];
}

const NOT_TESTS = ['**/*.test.ts', '**/*.test.tsx', 'web/testing/**'];
const OUTSIDE_CORE = ['contract', 'server', 'standins', 'web', 'e2e'];

export default defineConfig({
  plugins: ['eslint', 'typescript', 'import', 'oxc', 'unicorn'],
  options: { typeAware: true, denyWarnings: true, reportUnusedDisableDirectives: 'error' },
  categories: { correctness: 'error' },
  env: { builtin: true, es2024: true },
  ignorePatterns: ['**/node_modules', '**/dist', '.bienestar'],
  rules: {
    'typescript/ban-ts-comment': ['error', { minimumDescriptionLength: 10 }],
    'typescript/consistent-type-imports': 'error',
    'typescript/no-deprecated': 'error',
    'typescript/no-dynamic-delete': 'error',
    'typescript/no-empty-object-type': 'error',
    'typescript/no-explicit-any': 'error',
    'typescript/no-extraneous-class': 'error',
    'typescript/no-misused-promises': 'error',
    'typescript/no-mixed-enums': 'error',
    'typescript/no-namespace': 'error',
    'typescript/no-non-null-asserted-nullish-coalescing': 'error',
    'typescript/no-non-null-assertion': 'error',
    'typescript/no-require-imports': 'error',
    'typescript/no-unnecessary-boolean-literal-compare': 'error',
    'typescript/no-unnecessary-condition': 'error',
    'typescript/no-unnecessary-template-expression': 'error',
    'typescript/no-unnecessary-type-arguments': 'error',
    'typescript/no-unnecessary-type-assertion': 'error',
    'typescript/no-unnecessary-type-constraint': 'error',
    'typescript/no-unnecessary-type-conversion': 'error',
    'typescript/no-unsafe-argument': 'error',
    'typescript/no-unsafe-assignment': 'error',
    'typescript/no-unsafe-call': 'error',
    'typescript/no-unsafe-enum-comparison': 'error',
    'typescript/no-unsafe-function-type': 'error',
    'typescript/no-unsafe-member-access': 'error',
    'typescript/no-unsafe-return': 'error',
    'typescript/only-throw-error': 'error',
    'typescript/prefer-literal-enum-member': 'error',
    'typescript/prefer-promise-reject-errors': 'error',
    'typescript/prefer-reduce-type-parameter': 'error',
    'typescript/prefer-return-this-type': 'error',
    'typescript/related-getter-setter-pairs': 'error',
    'typescript/require-await': 'error',
    'typescript/restrict-plus-operands': [
      'error',
      {
        allowAny: false,
        allowBoolean: false,
        allowNullish: false,
        allowNumberAndString: false,
        allowRegExp: false,
      },
    ],
    'typescript/restrict-template-expressions': ['error', { allowNumber: true }],
    'typescript/return-await': ['error', 'error-handling-correctness-only'],
    'typescript/switch-exhaustiveness-check': [
      'error',
      { considerDefaultExhaustiveForUnions: true },
    ],
    'typescript/unified-signatures': 'error',
    'typescript/use-unknown-in-catch-callback-variable': 'error',
    'eslint/eqeqeq': 'error',
    'eslint/no-array-constructor': 'error',
    'eslint/no-case-declarations': 'error',
    'eslint/no-console': 'error',
    'eslint/no-empty': 'error',
    'eslint/no-fallthrough': 'error',
    'eslint/no-prototype-builtins': 'error',
    'eslint/no-redeclare': 'error',
    'eslint/no-regex-spaces': 'error',
    'eslint/no-unexpected-multiline': 'error',
    'eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }],
    'eslint/no-useless-assignment': 'error',
    'eslint/no-useless-constructor': 'error',
    'eslint/no-var': 'error',
    'eslint/prefer-const': 'error',
    'eslint/prefer-rest-params': 'error',
    'eslint/prefer-spread': 'error',
    'eslint/preserve-caught-error': 'error',
    /* Also circles that only types make: a newcomer reads types first. */
    'import/no-cycle': ['error', { ignoreTypes: false }],
    /* A step goes `then`, a rule holds `then`: nothing that is awaited. */
    'unicorn/no-thenable': 'off',
  },
  overrides: [
    {
      files: ['core/**/*.ts'],
      excludeFiles: NOT_TESTS,
      rules: {
        'eslint/no-restricted-imports': mayNotImport(
          ['node:.*', INTERFACE, SERVICE, 'joi'],
          OUTSIDE_CORE,
        ),
      },
    },
    ...CORE_ROOMS.map((room, at) => ({
      files: [`core/${room}/**/*.ts`],
      excludeFiles: NOT_TESTS,
      rules: {
        'eslint/no-restricted-imports': mayNotImport(
          ['node:.*', INTERFACE, SERVICE, 'joi'],
          [...OUTSIDE_CORE, ...CORE_ROOMS.slice(at + 1)],
        ),
      },
    })),
    {
      files: ['contract/**/*.ts'],
      excludeFiles: NOT_TESTS,
      rules: {
        'eslint/no-restricted-imports': mayNotImport(
          ['node:.*', INTERFACE, SERVICE],
          ['server', 'web'],
        ),
      },
    },
    {
      files: ['server/**/*.ts'],
      rules: { 'eslint/no-restricted-imports': mayNotImport([INTERFACE], ['web']) },
    },
    {
      files: ['web/**/*.{ts,tsx}'],
      plugins: ['react'],
      rules: { 'react/rules-of-hooks': 'error', 'react/unsupported-syntax': 'error' },
    },
    {
      files: ['web/**/*.{ts,tsx}'],
      excludeFiles: [...NOT_TESTS, 'web/vite.config.ts'],
      rules: {
        /* The schemas bring Joi along, which the first view does not need: the server checks. */
        'eslint/no-restricted-imports': mayNotImport(
          ['node:.*', SERVICE, 'joi', '@bienestar/contract/schemas', '@bienestar/contract/rules'],
          ['server'],
        ),
      },
    },
    {
      /* Plain programs that run before anything is installed; the compiler reads their comments. */
      files: ['**/*.mjs'],
      rules: {
        'typescript/no-unnecessary-condition': 'off',
        'typescript/no-unsafe-argument': 'off',
        'typescript/no-unsafe-assignment': 'off',
        'typescript/no-unsafe-member-access': 'off',
        'typescript/require-await': 'off',
        'typescript/restrict-plus-operands': 'off',
        'typescript/restrict-template-expressions': 'off',
        'typescript/use-unknown-in-catch-callback-variable': 'off',
      },
    },
    {
      files: ['**/*.test.ts', '**/testing/**', 'e2e/**', 'tools/**'],
      rules: { 'typescript/no-non-null-assertion': 'off', 'eslint/no-console': 'off' },
    },
  ],
});
