// @ts-check
/*
 * Runs a script: `node scripts/run.mjs start --port 5000` runs `scripts/start.ts`. The scripts are TypeScript, which
 * not every Node.js that Wakaru runs on can read, so they are built once and again after each change. This file alone
 * is plain JavaScript: it has to run before any package is there.
 */
import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { once } from 'node:events'
import { existsSync, lstatSync, mkdirSync, readFileSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'

const ROOT = fileURLToPath(new URL('../', import.meta.url))
const BUILDS = join(ROOT, '.data/build/scripts')
const [, runner = '', name = '', ...given] = process.argv

checkNode()
await installPackages()
const entry = join(ROOT, 'scripts', `${name}.ts`)
if (!/^[\w/.-]+$/.test(name) || name.includes('..') || !existsSync(entry)) fail(`There is no scripts/${name}.ts.`)
// A script sees its own words only, as if Node had been given the script.
process.argv = [process.argv[0] ?? 'node', runner, ...given]
process.setSourceMapsEnabled(true)
const script = await built().catch(error => fail(`The script could not be built in .data/build: ${error.message}`))
await import(pathToFileURL(script).href)

/** @param {string} text @returns {never} */
function fail(text) {
  console.error(`\n${text}`)
  process.exit(1)
}

function checkNode() {
  const { engines } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8'))
  const numbers = (/** @type {string} */ version) => version.split('.').map(Number)
  const [needed = '20.0.0'] = engines.node.match(/[\d.]+/) ?? []
  const [major = 0, minor = 0] = numbers(process.versions.node)
  const [least = 0, leastMinor = 0] = numbers(needed)
  if (major < least || (major === least && minor < leastMinor))
    fail(`Node.js ${needed} or newer is needed; this is ${process.versions.node}.`)
}

/** Installs the npm packages when they are missing or older than the lock file. */
async function installPackages() {
  const installed = join(ROOT, 'node_modules/.package-lock.json')
  const lock = join(ROOT, 'package-lock.json')
  if (existsSync(installed) && statSync(installed).mtimeMs >= statSync(lock).mtimeMs) return
  // A link leads to what somebody else has installed, and uses.
  if (existsSync(installed) && lstatSync(join(ROOT, 'node_modules')).isSymbolicLink()) return
  console.error('· Installing npm packages (about a minute the first time) …')
  const npm = spawn('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'],
  })
  for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP']))
    process.once(signal, () => npm.kill(signal))
  const [code] = await once(npm, 'close').catch(error => fail(`npm could not be started: ${error.message}`))
  if (code !== 0) fail('The npm packages could not be installed. Put right what npm says above, then start again.')
}

/** The script with all of ours that it imports as one file; packages stay where they are. */
async function built() {
  const hash = createHash('sha256').update(readFileSync(join(ROOT, 'package-lock.json')))
  for (const file of sources('scripts').concat(sources('e2e'))) {
    const { size, mtimeMs } = statSync(join(ROOT, file))
    hash.update(`${file} ${size} ${mtimeMs}\n`)
  }
  const folder = join(BUILDS, hash.digest('hex').slice(0, 16))
  const output = join(folder, `${name.replaceAll('/', '-')}.mjs`)
  if (existsSync(output)) return output
  const { build } = await import('esbuild')
  for (const old of existsSync(BUILDS) ? readdirSync(BUILDS) : [])
    if (!folder.endsWith(old)) rmSync(join(BUILDS, old), { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  // Never half a file: another run may be about to read it.
  const whole = `${output}.${process.pid}`
  await build({
    absWorkingDir: ROOT, entryPoints: [entry], outfile: whole, bundle: true, packages: 'external',
    format: 'esm', platform: 'node', target: 'node20', sourcemap: 'inline', logLevel: 'warning',
  })
  renameSync(whole, output)
  return output
}

/** @param {string} folder @returns {string[]} TypeScript files below it, from the project's folder */
function sources(folder) {
  return readdirSync(join(ROOT, folder), { withFileTypes: true }).flatMap((file) => {
    const path = `${folder}/${file.name}`
    return file.isDirectory() ? sources(path) : path.endsWith('.ts') ? [path] : []
  })
}
