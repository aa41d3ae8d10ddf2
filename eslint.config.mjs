import withNuxt from './.nuxt/eslint.config.mjs'

/** Arrows point inwards: core imports nothing of the house around it; app and server meet only at shared/api. */
const OUTSIDE = [
  'vue',
  'vue/*',
  'nuxt',
  'nuxt/*',
  '#imports',
  '#app',
  '#app/*',
  'pinia',
  'h3',
  'nitropack',
  'nitropack/*',
  'kysely',
  'better-sqlite3',
  'node:*',
  'fs',
  'path',
  'crypto',
]
const forbid = (groups) => ({
  'no-restricted-imports': ['error', { patterns: groups.map(([group, message]) => ({ group, message })) }],
})

export default withNuxt(
  {
    files: ['core/**/*.ts'],
    rules: {
      ...forbid([
        [OUTSIDE, 'core/ is pure: no interface, server, database or Node import.'],
        [
          ['**/app/**', '**/server/**', '**/shared/**', '**/demo/**'],
          'Arrows point inwards: core/ imports only core/.',
        ],
      ]),
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'Buffer', 'fetch', 'localStorage'],
    },
  },
  {
    files: ['app/**/*.{ts,vue}'],
    rules: forbid([[['**/server/**', '**/demo/**'], 'app/ meets server/ only at shared/api.']]),
  },
  { files: ['server/**/*.ts'], rules: forbid([[['**/app/**'], 'server/ meets app/ only at shared/api.']]) },
  { files: ['shared/**/*.ts'], rules: forbid([[['**/app/**', '**/server/**'], 'shared/ imports only core/.']]) },
  {
    rules: {
      'vue/html-self-closing': 'off',
      'vue/multi-word-component-names': 'off',
      '@typescript-eslint/no-dynamic-delete': 'off',
    },
  },
)
