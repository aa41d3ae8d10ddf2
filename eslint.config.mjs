import regexp from 'eslint-plugin-regexp'
import withNuxt from './.nuxt/eslint.config.mjs'

/** Who may import whom is said and held in `.dependency-cruiser.mjs`. */
export default withNuxt(
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'Buffer', 'fetch', 'localStorage'],
    },
  },
  {
    // What anybody may send is read by these: none costs more than its size.
    files: ['core/**/*.ts', 'server/**/*.ts', 'shared/**/*.ts', 'stand-ins/**/*.ts'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }],
    },
  },
  {
    rules: {
      'vue/html-self-closing': 'off',
      'vue/multi-word-component-names': 'off',
      '@typescript-eslint/no-dynamic-delete': 'off',
    },
  },
)
