import withNuxt from './.nuxt/eslint.config.mjs'

export default withNuxt({
  rules: {
    // Pages and parts are named after what they show.
    'vue/multi-word-component-names': 'off',
    // A start tag stands on one line where it fits, else each attribute on one of its own.
    'vue/max-attributes-per-line': ['error', { singleline: 12, multiline: 1 }],
    'vue/first-attribute-linebreak': ['error', { singleline: 'ignore', multiline: 'below' }],
    'vue/html-closing-bracket-newline': ['error', { singleline: 'never', multiline: 'always' }],
    // A line break between inline elements is a blank on the page.
    'vue/singleline-html-element-content-newline': 'off',
    // A text that is said as a whole stands on one line, alone: it can be looked for.
    '@stylistic/max-len': ['error', {
      code: 120,
      ignorePattern: '^(import .* from |\\s*([=?:+&|]+ )*(\\w+: )?[`\'"].*[`\'"][,)\\]]*$|\\s*(it|test)\\()',
      ignoreUrls: true,
    }],
  },
}, {
  ignores: ['**/*.test.ts', '**/testing.ts', 'e2e/**', 'benchmark/**'],
  // `!` stands only where a comment says why.
  rules: { '@typescript-eslint/no-non-null-assertion': 'error' },
})
