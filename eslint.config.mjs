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
    // Times are read and written in one room, by one rule: elsewhere a text is no date.
    files: ['core/**/*.ts', 'server/**/*.ts', 'shared/**/*.ts', 'app/**/*.{ts,vue}'],
    ignores: ['core/time/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date']", message: 'Read and write times with core/time.' },
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='parse']",
          message: 'Read times with core/time.',
        },
        {
          selector: "CallExpression[callee.property.name='slice'][arguments.0.value=0][arguments.1.value=10]",
          message: 'The day of a time is dayOfClock, dayOf or dayAtStart of core/time.',
        },
        {
          selector: "MemberExpression[object.name='Intl'][property.name=/^(DateTimeFormat|RelativeTimeFormat)$/]",
          message: 'Write times with core/time.',
        },
      ],
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
