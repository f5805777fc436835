import withNuxt from './.nuxt/eslint.config.mjs'

export default withNuxt({
  rules: {
    // Pages and parts are named after what they show.
    'vue/multi-word-component-names': 'off',
    '@stylistic/max-len': ['error', { code: 140, ignorePattern: '^import .* from ', ignoreUrls: true }],
  },
}, {
  // Outside tests a comment says why a value cannot be missing.
  ignores: ['**/*.test.ts', '**/testing.ts', 'e2e/**', 'bench/**'],
  rules: { '@typescript-eslint/no-non-null-assertion': 'error' },
})
