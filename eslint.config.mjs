import withNuxt from './.nuxt/eslint.config.mjs'

export default withNuxt({
  rules: {
    // Decorators and class fields read better together than one a line.
    'vue/multi-word-component-names': 'off',
  },
})
