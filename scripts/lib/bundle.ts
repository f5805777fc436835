import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { ROOT } from './root'

/** Every file of these files and folders, in order; tests and what only they use do not count. */
export function* sourceFiles(parts: string[]) {
  for (const part of parts.map(part => join(ROOT, part)).filter(existsSync)) yield* filesOf(part)
}

function* filesOf(path: string): Generator<string, void> {
  if (!statSync(path).isDirectory()) return void (/(\.test|[/]testing)\.ts$/.test(path) || (yield path))
  for (const name of readdirSync(path).sort()) yield* filesOf(join(path, name))
}

/** Does some work unless it was done for the same sources already. */
export async function once(stamp: string, sources: string, done: () => boolean, work: () => Promise<unknown>) {
  const file = join(ROOT, stamp)
  if (done() && existsSync(file) && readFileSync(file, 'utf8') === sources) return
  await work()
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(file, sources)
}

/**
 * Size and time of every file: a glance at the sources, where reading them all
 * would take longer than what the program has to do.
 */
function glance(parts: string[]) {
  let text = ''
  for (const file of sourceFiles(parts)) {
    const { size, mtimeMs } = statSync(file)
    text += `${file.slice(ROOT.length)} ${size} ${mtimeMs}\n`
  }
  return text
}

/**
 * Bundles a TypeScript entry for Node, when its sources changed. What it imports
 * on demand is run on demand.
 * @returns the path of the entry's bundle, a CommonJS module
 */
export async function bundle(entry: string, sources: string[]): Promise<string> {
  const folder = `.data/build/${entry.replace(/[/.]/g, '-')}`
  const output = join(ROOT, folder, `${basename(entry, '.ts')}.cjs`)
  await once(
    `${folder}/sources`,
    glance([...sources, 'package-lock.json', 'scripts/lib/bundle.ts']),
    () => existsSync(output),
    async () => {
      const { build } = await import('esbuild')
      rmSync(join(ROOT, folder), { recursive: true, force: true })
      await build({
        absWorkingDir: ROOT,
        entryPoints: [entry],
        outfile: output,
        bundle: true,
        format: 'cjs',
        platform: 'node',
        target: 'node20',
        // What was compiled in an earlier run cannot import, but it can require.
        supported: { 'dynamic-import': false },
        external: ['sequelize', 'mysql2', 'umzug', 'class-validator-jsonschema', 'highs'],
        // The ES modules of a package leave out what is not used; the programs start in half the time.
        mainFields: ['module', 'main'],
        // Names stay: the JSON Schema is written with those of the classes.
        minifyWhitespace: true,
        minifySyntax: true,
        tsconfigRaw: { compilerOptions: { experimentalDecorators: true } },
        logLevel: 'warning',
      })
    },
  )
  return output
}
