import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { once, sourceFiles } from './bundle'
import { ROOT } from './root'
import { run, say } from './talk'

const BUILT_FROM = [
  'app', 'core', 'server', 'public', 'demo', 'cli', 'nuxt.config.ts', 'package-lock.json', 'scripts/lib/sources.ts',
  'scripts/lib/planner-version.ts',
]

/** A fingerprint of everything the application is built from; tests do not count. */
export function fingerprint(parts = BUILT_FROM) {
  const hash = createHash('sha256')
  for (const file of sourceFiles(parts)) hash.update(file.slice(ROOT.length)).update(readFileSync(file))
  return hash.digest('hex')
}

/** Builds the application when its sources changed. */
export const buildApplication = () =>
  once(
    '.output/wakaru-sources',
    fingerprint(),
    () => existsSync(join(ROOT, '.output/server/index.mjs')),
    async () => {
      say('Building the application (a minute or two the first time) …')
      await run('npx', ['nuxt', 'build'], { quiet: true, env: { NODE_OPTIONS: '--max-old-space-size=4096' } })
    },
  )
