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
    rules: {
      'vue/html-self-closing': 'off',
      'vue/multi-word-component-names': 'off',
      '@typescript-eslint/no-dynamic-delete': 'off',
    },
  },
)
