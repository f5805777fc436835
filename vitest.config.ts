import { defineConfig } from 'vitest/config'

export default defineConfig({
  esbuild: { tsconfigRaw: { compilerOptions: { experimentalDecorators: true } } },
  test: {
    // Property tests take their time on a busy machine.
    testTimeout: 180_000,
    include: ['{core,cli,server,app,demo,scripts}/**/*.test.ts'],
  },
})
