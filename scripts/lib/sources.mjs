import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { ROOT, run, say } from './talk.mjs'

const BUILT_FROM = ['app', 'core', 'server', 'public', 'demo', 'cli', 'nuxt.config.ts', 'package-lock.json']

function* files(path) {
  if (statSync(path).isFile()) return yield path
  for (const name of readdirSync(path).sort()) yield* files(join(path, name))
}

/** A fingerprint of everything the application is built from; tests do not count. */
export function fingerprint(parts = BUILT_FROM) {
  const hash = createHash('sha256')
  for (const part of parts.map(part => join(ROOT, part)).filter(existsSync)) {
    for (const file of files(part)) if (!file.endsWith('.test.ts')) hash.update(file.slice(ROOT.length)).update(readFileSync(file))
  }
  return hash.digest('hex')
}

/** Does some work unless it was done for the same sources already. */
async function once(stamp, sources, done, work) {
  const file = join(ROOT, stamp)
  const now = fingerprint([...sources, 'scripts/lib/sources.mjs'])
  if (done() && existsSync(file) && readFileSync(file, 'utf8') === now) return
  await work()
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(file, now)
}

/** Builds the application when its sources changed. */
export const buildApplication = () => once('.output/wakaru-sources', BUILT_FROM, () => existsSync(join(ROOT, '.output/server/index.mjs')), async () => {
  say('Building the application (a minute or two the first time) …')
  await run('npx', ['nuxt', 'build'], { quiet: true, env: { NODE_OPTIONS: '--max-old-space-size=4096' } })
})

/**
 * Bundles a TypeScript entry for Node, when its sources changed. What it imports
 * on demand stays apart and is loaded on demand.
 * @returns {Promise<string>} the path of the entry's bundle
 */
export async function bundle(entry, sources) {
  const folder = `.data/build/${entry.replace(/[/.]/g, '-')}`
  const output = `${folder}/${basename(entry, '.ts')}.mjs`
  await once(`${folder}/sources`, sources, () => existsSync(join(ROOT, output)), async () => {
    const { build } = await import('esbuild')
    rmSync(join(ROOT, folder), { recursive: true, force: true })
    await build({
      absWorkingDir: ROOT,
      entryPoints: [entry],
      outdir: folder,
      outExtension: { '.js': '.mjs' },
      splitting: true,
      bundle: true,
      format: 'esm',
      platform: 'node',
      target: 'node20',
      external: ['sequelize', 'mysql2', 'umzug', 'class-validator-jsonschema', 'highs'],
      // The ES modules of a package leave out what is not used; the programs start in half the time.
      mainFields: ['module', 'main'],
      minify: true,
      keepNames: true,
      tsconfigRaw: { compilerOptions: { experimentalDecorators: true } },
      banner: { js: 'import { createRequire } from "node:module"; const require = createRequire(import.meta.url);' },
      logLevel: 'warning',
    })
  })
  return join(ROOT, output)
}
