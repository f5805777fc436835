import { availableParallelism } from 'node:os'
import { defineVitestProject } from '@nuxt/test-utils/config'
import { defineConfig } from 'vitest/config'

/** Components are mounted in a DOM, with Nuxt as it runs in the browser; all else needs nothing but Node. */
const MOUNTED = 'app/components/**/*.test.ts'

export default defineConfig({
  test: {
    // Left to itself the runner keeps one core free, which on a machine of two is half of it.
    maxWorkers: Math.max(2, availableParallelism() - 1),
    projects: [
      {
        esbuild: { tsconfigRaw: { compilerOptions: { experimentalDecorators: true } } },
        test: {
          name: 'core',
          // Property tests take their time on a busy machine.
          testTimeout: 180_000,
          include: ['{core,cli}/**/*.test.ts'],
          // The core keeps nothing to itself, so its files can share what was loaded once.
          isolate: false,
        },
      },
      {
        esbuild: { tsconfigRaw: { compilerOptions: { experimentalDecorators: true } } },
        test: {
          name: 'plain',
          testTimeout: 180_000,
          include: ['{server,app,demo,scripts}/**/*.test.ts'],
          exclude: [MOUNTED],
        },
      },
      await defineVitestProject({
        test: {
          name: 'mounted',
          // The framework starts before the first test of a file; on a busy machine that takes a while.
          testTimeout: 60_000,
          hookTimeout: 120_000,
          include: [MOUNTED],
          environment: 'nuxt',
          environmentOptions: { nuxt: { domEnvironment: 'happy-dom' } },
        },
      }),
    ],
  },
})
