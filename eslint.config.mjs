import withNuxt from './.nuxt/eslint.config.mjs'

export default withNuxt({
  rules: {
    // Pages and parts are named after what they show.
    'vue/multi-word-component-names': 'off',
    // A text that is said as a whole stands on one line, alone: it can be looked for.
    '@stylistic/max-len': ['error', {
      code: 120,
      ignorePattern: '^(import .* from |\\s*([=?:+&|]+ )*(\\w+: )?[`\'"/<].*[`\'"/u>][,)\\]]*$|\\s*(it|test)\\()',
      ignoreUrls: true,
    }],
  },
}, {
  ignores: ['**/*.test.ts', '**/testing.ts', 'e2e/**', 'benchmark/**'],
  // `!` stands only where a comment says why.
  rules: { '@typescript-eslint/no-non-null-assertion': 'error' },
})
