import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import { CORE_ORDER } from './scripts/core-order.mjs';

/** Arrows point one way: routes → ui → store, files, compute, devices → core. */
const layer = (files, forbidden, why) => ({
  files,
  ignores: ['**/*.test.ts', '**/*.fixture.ts'],
  rules: {
    'no-restricted-imports': ['error', { patterns: [{ group: forbidden, message: why }] }]
  }
});
const kit = ['svelte', 'svelte/*', '$app/*', 'dexie', 'node:*', 'chart.js*'];
const up = (...names) =>
  names.flatMap((n) => [`$lib/${n}/**`, `**/lib/${n}/**`, `../${n}/**`, `../../${n}/**`, `../../../${n}/**`]);

export default ts.config(
  { ignores: ['.tmp/', 'build/', '.svelte-kit/', 'node_modules/', 'test-results/', 'playwright-report/'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  prettier,
  ...svelte.configs.prettier,
  { languageOptions: { globals: { ...globals.browser, ...globals.node, __APP_VERSION__: 'readonly' } } },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser } },
    rules: { 'svelte/no-navigation-without-resolve': 'off' }
  },
  {
    rules: {
      // The maps in the store are built inside a derived value and never changed after.
      'svelte/prefer-svelte-reactivity': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-undef': 'off'
    }
  },
  ...CORE_ORDER.map((folder, i) =>
    layer(
      [`src/lib/core/${folder}/**/*.ts`],
      [
        ...kit,
        ...up('store', 'files', 'compute', 'devices', 'ui', 'demo'),
        ...CORE_ORDER.slice(i + 1).flatMap((later) => [
          `../${later}/**`,
          `../../${later}/**`,
          `$core/${later}/**`
        ])
      ],
      `core computes only, and ${folder} uses only the folders before it (scripts/core-order.mjs)`
    )
  ),
  {
    files: ['src/lib/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'localStorage',
        'indexedDB',
        'fetch',
        'crypto',
        'performance'
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'core randomness is seeded' },
        { object: 'Date', property: 'now', message: 'the clock comes from outside the core' }
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'the clock comes from outside the core'
        }
      ]
    }
  },
  layer(
    ['src/lib/store/**/*.ts', 'src/lib/files/**/*.ts', 'src/lib/compute/**/*.ts', 'src/lib/devices/**/*.ts'],
    up('ui', 'demo'),
    'store, files, compute and devices know nothing of ui or demo'
  ),
  layer(
    ['src/lib/ui/**/*.ts', 'src/lib/ui/**/*.svelte'],
    ['../../routes/**', '$lib/demo/**'],
    'ui knows nothing of routes'
  )
);
