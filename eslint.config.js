import js from '@eslint/js'
import ts from 'typescript-eslint'
import vue from 'eslint-plugin-vue'
import prettier from 'eslint-config-prettier'
import globals from 'globals'

/** What a layer may not import, with the reason that the message gives. */
const forbid = (patterns, message) => ({
  'no-restricted-imports': ['error', { patterns: [{ group: patterns, message }] }],
})
const interfaceAndNode = [
  'vue',
  'vue-*',
  'pinia',
  'naive-ui',
  'echarts*',
  'express',
  'pg',
  '@electric-sql/*',
  'node:*',
  'fs',
  'path',
]

export default ts.config(
  { ignores: ['dist', 'data', 'node_modules', 'test-results', 'playwright-report'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser } },
  },
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      'vue/multi-word-component-names': 'off',
      'no-undef': 'off',
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      ...forbid(
        [...interfaceAndNode, '**/web/**', '**/server/**', '**/contract/**'],
        'The core is pure: it knows no interface, no Node and no outer layer.',
      ),
      'no-restricted-globals': [
        'error',
        'document',
        'window',
        'process',
        'setTimeout',
        'fetch',
        'performance',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Chance is passed in.' },
        { object: 'Date', property: 'now', message: 'Time is passed in.' },
      ],
    },
  },
  {
    files: ['src/core/solve/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: forbid(
      [
        ...interfaceAndNode,
        '**/web/**',
        '**/server/**',
        '**/contract/**',
        '**/parts/**',
        '**/circuit/**',
        '**/faults/**',
        '**/readings/**',
      ],
      'The solver knows networks, not parts: parts know its small interface, never the other way round.',
    ),
  },
  {
    files: ['src/contract/**/*.ts'],
    rules: forbid([...interfaceAndNode, '**/web/**', '**/server/**'], 'The contract rests on core alone.'),
  },
  {
    files: ['src/server/**/*.ts'],
    rules: forbid(['**/web/**', 'vue', 'pinia', 'naive-ui'], 'The server never reaches into the interface.'),
  },
  {
    files: ['src/web/**/*.{ts,vue}'],
    rules: forbid(
      ['**/server/**', 'node:*', 'express', 'pg', '@electric-sql/*'],
      'The interface meets the server through the contract only.',
    ),
  },
  prettier,
)
