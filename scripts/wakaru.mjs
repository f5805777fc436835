import { existsSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import { join } from 'node:path'
import { bundle } from './lib/sources.mjs'
import { ROOT } from './lib/talk.mjs'

if (existsSync(join(ROOT, 'node_modules/esbuild'))) {
  await import(pathToFileURL(await bundle('cli/wakaru.ts', ['core', 'cli'])))
}
else {
  console.error('The npm packages are missing. Run npm start or npm ci first.')
  process.exitCode = 1
}
