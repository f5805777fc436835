import { defineConfig } from 'vitest/config'

export default defineConfig({
  esbuild: { tsconfigRaw: { compilerOptions: { experimentalDecorators: true } } },
  test: {
    include: ['{core,cli,server,app,demo,scripts}/**/*.test.ts'],
  },
})
