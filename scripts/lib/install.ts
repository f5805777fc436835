import { existsSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { Stop, run, say } from './talk'

const onPath = (name: string, places: string[] = []) =>
  [...(process.env.PATH ?? '').split(':'), ...places].map(folder => join(folder, name)).find(existsSync)

export const programs = {
  mariadbd: () => onPath('mariadbd', ['/usr/sbin', '/usr/local/sbin']),
  installDb: () => onPath('mariadb-install-db', ['/usr/bin', '/usr/local/bin']),
  // The installer of the tables calls this one.
  printDefaults: () => onPath('my_print_defaults', ['/usr/bin', '/usr/local/bin']),
  chromium: () => onPath('chromium', ['/usr/bin']),
}

/** Installs Debian packages when `present` finds nothing, or says which line to run first. */
async function installDebian(packages: string[], what: string, present: () => string | undefined) {
  if (present()) return
  const asRoot
    = process.getuid?.() === 0 ? [] : spawnSync('sudo', ['-n', 'true']).status === 0 ? ['sudo', '-n'] : undefined
  const line = `apt-get update && apt-get install --yes --no-install-recommends ${packages.join(' ')}`
  if (!asRoot || !onPath('apt-get', ['/usr/bin'])) {
    throw new Stop(`${what} is missing. On Debian, run this line first, then start again:\n\n  sudo sh -c '${line}'\n`)
  }
  say(`Installing ${what} (Debian: ${packages.join(', ')}) …`)
  const apt = (args: string[]) =>
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
