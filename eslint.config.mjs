import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import reactHooks from 'eslint-plugin-react-hooks';
import { defineConfig, globalIgnores } from 'eslint/config';
import tseslint from 'typescript-eslint';

export default defineConfig(
  globalIgnores(['**/dist/', '**/node_modules/', '.data/', 'e2e/test-results/', '**/*.cjs']),
  js.configs.recommended,
  {
    files: ['**/*.mjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        performance: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
        fetch: 'readonly',
        AbortSignal: 'readonly',
      },
    },
  },
  {
    files: ['**/*.{ts,tsx}'],
    extends: [tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
      '@typescript-eslint/consistent-type-imports': ['error', { disallowTypeAnnotations: false }],
      // Static classes are how Nest declares modules.
      '@typescript-eslint/no-extraneous-class': 'off',
      // Takes away assertions that inference needs (an initial state of a slice, for one).
      '@typescript-eslint/no-unnecessary-type-assertion': 'off',
    },
  },
  // Codecs hold values of every kind at once.
  { files: ['packages/core/src/formats/codec.ts'], rules: { '@typescript-eslint/no-explicit-any': 'off' } },
  // Nest reads constructor types at run time: they must be value imports.
  { files: ['packages/server/**'], rules: { '@typescript-eslint/consistent-type-imports': 'off' } },
  { files: ['packages/web/**'], extends: [reactHooks.configs.flat.recommended] },
  {
    files: ['**/*.test.{ts,tsx}', 'e2e/**', 'scripts/endure/**', '**/test/**'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
    },
  },
  // A fixture names those it needs, also where it needs none.
  { files: ['e2e/**'], rules: { 'no-empty-pattern': ['error', { allowObjectPatternsAsParameters: true }] } },
  {
    // A service worker: it has a browser's surroundings without a page.
    files: ['packages/web/public/*.js'],
    languageOptions: { globals: Object.fromEntries(['self', 'caches', 'fetch', 'URL'].map((name) => [name, 'readonly'])) },
  },
  prettier,
);
