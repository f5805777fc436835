import withNuxt from './.nuxt/eslint.config.mjs'

export default withNuxt({
  rules: {
    // Pages and parts are named after what they show.
    'vue/multi-word-component-names': 'off',
    '@stylistic/max-len': ['error', { code: 140, ignorePattern: '^import .* from ', ignoreUrls: true }],
  },
}, {
  ignores: ['**/*.test.ts', '**/testing.ts', 'e2e/**', 'benchmark/**'],
  // `!` stands only where a comment says why.
  rules: { '@typescript-eslint/no-non-null-assertion': 'error' },
})
