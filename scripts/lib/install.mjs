import { existsSync, statSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ROOT } from './root.mjs'
import { Stop, run, say } from './talk.mjs'

const NODE = [20, 19]

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < NODE[0] || (major === NODE[0] && minor < NODE[1])) {
    throw new Stop(`Node.js ${NODE.join('.')} or newer is needed; this is ${process.versions.node}.`)
  }
}

/** Installs the npm packages when they are missing or older than the lock file. */
export async function installPackages() {
  const installed = join(ROOT, 'node_modules/.package-lock.json')
  const lock = join(ROOT, 'package-lock.json')
  if (existsSync(installed) && statSync(installed).mtimeMs >= statSync(lock).mtimeMs) return
  say('Installing npm packages (about a minute the first time) …')
  await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { quiet: true })
}

const onPath = (name, places = []) =>
  [...(process.env.PATH ?? '').split(':'), ...places].map(folder => join(folder, name)).find(existsSync)

export const programs = {
  mariadbd: () => onPath('mariadbd', ['/usr/sbin', '/usr/local/sbin']),
  installDb: () => onPath('mariadb-install-db', ['/usr/bin', '/usr/local/bin']),
  // The installer of the tables calls this one.
  printDefaults: () => onPath('my_print_defaults', ['/usr/bin', '/usr/local/bin']),
  chromium: () => onPath('chromium', ['/usr/bin']),
}

/** Installs Debian packages when `present` finds nothing, or says which line to run first. */
async function installDebian(packages, what, present) {
  if (present()) return
  const asRoot
    = process.getuid?.() === 0 ? [] : spawnSync('sudo', ['-n', 'true']).status === 0 ? ['sudo', '-n'] : undefined
  const line = `apt-get update && apt-get install --yes --no-install-recommends ${packages.join(' ')}`
  if (!asRoot || !onPath('apt-get', ['/usr/bin'])) {
    throw new Stop(`${what} is missing. On Debian, run this line first, then start again:\n\n  sudo sh -c '${line}'\n`)
  }
  say(`Installing ${what} (Debian: ${packages.join(', ')}) …`)
  const apt = args =>
    run(asRoot[0] ?? 'apt-get', asRoot.length ? [...asRoot.slice(1), 'apt-get', ...args] : args, {
      quiet: true,
      env: { DEBIAN_FRONTEND: 'noninteractive' },
    })
  await apt(['update'])
  await apt(['install', '--yes', '--no-install-recommends', ...packages])
  if (!present()) throw new Stop(`${packages.join(' and ')} were installed, but ${what} cannot be found on the path.`)
}

// The core packages bring the programs without a system service of their own.
export const installMariaDb = () =>
  installDebian(
    ['mariadb-server-core', 'mariadb-client-core'],
    'the MariaDB server',
    () => programs.mariadbd() && programs.installDb() && programs.printDefaults(),
  )
export const installChromium = () => installDebian(['chromium'], 'Chromium', programs.chromium)
