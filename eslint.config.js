import js from '@eslint/js'
import ts from 'typescript-eslint'
import vue from 'eslint-plugin-vue'
import prettier from 'eslint-config-prettier'
import vueI18n from '@intlify/eslint-plugin-vue-i18n'
import globals from 'globals'
import { readdirSync } from 'node:fs'

/** What a layer may not import, with the reason that the message gives. */
const forbid = (patterns, message, ...more) => ({
  'no-restricted-imports': ['error', { patterns: [{ group: patterns, message }, ...more] }],
})
const serverOnly = ['**/server/**', 'node:*', 'express', 'pg', '@electric-sql/*']
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

const outside = ['**/web/**', '**/server/**', '**/contract/**', '**/cli/**']

/** Folders of the core, from the ground up: each may import what stands before it, and nothing behind it. */
const layers = [
  'cache',
  'registry',
  'document',
  'quantity',
  'solve',
  'parts',
  'circuit',
  'model',
  'editing',
  'faults',
  'board',
  'time',
  'instruments',
  'readings',
  'attempt',
  'diagnosis',
  'assessment',
  'workshop',
  'lab',
  'handbook',
  'learning',
  'formats',
  'words',
]
const coreLayers = layers.map((layer, i) => {
  const message = `Arrows point down: ${layer}/ knows ${layers.slice(0, i).join(', ') || 'nothing of the core'}, and no outer layer.`
  // However deep a file lies in its layer, `../` often enough leads to the others.
  const later = { regex: `^(\\.\\./)+(${layers.slice(i + 1).join('|') || 'none'})(/|$)`, message }
  return {
    files: [`src/core/${layer}/**/*.ts`],
    ignores: ['**/*.test.ts'],
    rules: forbid([...interfaceAndNode, ...outside], message, later),
  }
})

/** Places of the interface: none imports another; what several show stands in readings/. */
const places = readdirSync(new URL('./src/web/places/', import.meta.url))
const placeRules = places.map((place) => ({
  files: [`src/web/places/${place}/**/*.{ts,vue}`],
  rules: forbid(
    [...serverOnly, ...places.filter((other) => other !== place).flatMap((other) => [`../${other}/**`])],
    'No place imports another: what both show goes into web/readings.',
  ),
}))

/** Outside the parts, the faults and their symbols nothing knows a kind by its name: it asks for what the kind says of itself. */
const kind = "[property.name='kind']"
const compared = "BinaryExpression[operator=/^[!=]==?$/][right.type='Literal'][right.value=/./]"
const kindByName = [
  `${compared}[left.name='kind']`,
  `${compared} > MemberExpression${kind}`,
  `${compared} > ChainExpression > MemberExpression${kind}`,
  // A pattern that a kind is tried with.
  `CallExpression[callee.property.name='test'][callee.object.regex] > MemberExpression${kind}.arguments`,
  `CallExpression[callee.property.name='test'][callee.object.regex] > Identifier[name='kind'].arguments`,
  `CallExpression[callee.property.name=/^(match|startsWith|endsWith|includes)$/][callee.object.property.name='kind']`,
  `CallExpression[callee.property.name=/^(match|startsWith|endsWith|includes)$/][callee.object.name='kind']`,
  // Lists and tables of kinds.
  `CallExpression[callee.property.name='includes'][callee.object.type='ArrayExpression'] > MemberExpression${kind}.arguments`,
  `CallExpression[callee.property.name='includes'][callee.object.type='ArrayExpression'] > Identifier[name='kind'].arguments`,
  `MemberExpression[computed=true] > MemberExpression${kind}.property`,
  `SwitchStatement > MemberExpression${kind}.discriminant`,
].map((selector) => ({
  selector,
  message: 'Ask a part or a fault for a capability or a trait, not for its kind.',
}))

export default ts.config(
  { ignores: ['dist', 'built', 'data', 'node_modules', 'test-results', 'playwright-report'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser } },
    rules: {
      'vue/no-restricted-syntax': [
        'error',
        {
          selector: 'Property[key.value=/^(aria-label|placeholder|title)$/] > Literal.value',
          message: 'Every text goes through the words: t(…).',
        },
      ],
      // Every text goes through the words, or it would stand in English on a German page.
      'vue/no-bare-strings-in-template': [
        'error',
        {
          allowlist: [
            '⠿',
            ...'()[]{},.;:·…–—−-+±×÷=/%?!&*#|<>✓✕→←↑↓“”‘’„"0',
            'V',
            'A',
            'Ω',
            'W',
            '12 V',
            '24 V',
            's',
            '°C',
            'mm²',
            'English',
            'Brachyon',
            ' V',
            'OL',
          ],
          attributes: { '/.+/': ['title', 'aria-label', 'placeholder', 'alt'] },
          directives: [],
        },
      ],
    },
  },
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      'vue/multi-word-component-names': 'off',
      // Fields, tables and dialogs are the library's (docs/decisions/008).
      'vue/no-restricted-html-elements': [
        'error',
        ...[
          'input',
          'select',
          'option',
          'datalist',
          'textarea',
          'button',
          'table',
          'dialog',
          'details',
          'progress',
          'meter',
        ].map((element) => ({
          element,
          message: 'Take the component library’s, or a part of src/web/parts.',
        })),
      ],
      'no-undef': 'off',
    },
  },
  {
    // Of the translator's rules those that hold for messages of a compiler of their own; codes are checked by their type.
    files: ['src/web/**/*.vue'],
    plugins: { '@intlify/vue-i18n': vueI18n },
    rules: {
      '@intlify/vue-i18n/no-raw-text': [
        'error',
        { ignorePattern: '^[^a-z]*$', ignoreText: ['s', 'mm²', 'English', 'Brachyon'] },
      ],
      '@intlify/vue-i18n/no-v-html': 'error',
      '@intlify/vue-i18n/no-deprecated-v-t': 'error',
      '@intlify/vue-i18n/no-deprecated-tc': 'error',
    },
  },
  {
    files: ['src/web/places/bench/PathStrip.vue'],
    rules: { 'vue/no-restricted-html-elements': 'off' },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      ...forbid(
        [...interfaceAndNode, ...outside],
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
  ...coreLayers,
  {
    files: ['src/**/*.{ts,vue}'],
    ignores: [
      '**/*.test.ts',
      'src/core/{parts,faults}/**',
      'src/web/schematic/symbols.ts',
      'src/core/circuit/upgrade.ts',
    ],
    rules: { 'no-restricted-syntax': ['error', ...kindByName] },
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
    rules: forbid(serverOnly, 'The interface meets the server through the contract only.'),
  },
  {
    files: ['src/web/{api,charts,parts,readings,schematic,shell,stores,theme,workers}/**/*.{ts,vue}'],
    rules: forbid([...serverOnly, '**/places/**'], 'What places share knows no place.'),
  },
  ...placeRules,
  {
    files: ['src/cli/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: forbid(
      ['**/web/**', '**/server/**', '**/contract/**', 'vue', 'pinia', 'naive-ui', 'express'],
      'Commands rest on the core alone.',
    ),
  },
  prettier,
)
