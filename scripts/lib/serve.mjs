import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { freePort, startMariaDb } from './database.mjs'
import { bundle } from './bundle.mjs'
import { ROOT } from './root.mjs'
import { Stop, run, say } from './talk.mjs'

/**
 * Starts database and application, each step undone in reverse order by `stop`.
 * @param {{ folder: string, port?: number, demo?: boolean, databaseUrl?: string, command?: string[] }} options
 *   `databaseUrl` names a server of one's own instead of ours; `command` starts the application, the built one by default
 * @returns {Promise<{ address: string, stop: () => Promise<void>, ended: Promise<string> }>} `ended` names what ended by itself
 */
export async function serve({ folder, port = 4173, demo = true, databaseUrl, command = ['node', '.output/server/index.mjs'] }) {
  const started = []
  const stop = async () => {
    for (const end of started.splice(0).reverse()) await end()
  }
  try {
    let urls = { url: databaseUrl, ownerUrl: databaseUrl, ended: new Promise(() => {}) }
    if (!databaseUrl) {
      say('Starting MariaDB …')
      const database = await startMariaDb(folder)
      started.push(database.stop)
      urls = database
    }
    const prepare = await bundle('server/database/begin.ts', ['core', 'server', 'demo'])
    await run('node', [prepare], { env: { DATABASE_URL: urls.ownerUrl, WAKARU_DEMO: demo ? 'ferry-lane' : 'none' } })

    const free = await freePort(port)
    const address = `http://127.0.0.1:${free}`
    say('Starting the application …')
    const server = spawn(command[0], command.slice(1), {
      cwd: ROOT,
      detached: true,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        HOST: '127.0.0.1',
        NITRO_HOST: '127.0.0.1',
        PORT: String(free),
        NITRO_PORT: String(free),
        NITRO_SHUTDOWN_TIMEOUT: '1500',
        NUXT_DATABASE_URL: urls.url,
        DATABASE_URL: undefined,
      },
    })
    const ended = new Promise(resolve => server.once('close', resolve))
    started.push(async () => {
      if (server.exitCode === null) server.kill('SIGTERM')
      await ended
    })
    await answering(`${address}/api/health`, server)
    return { address, stop, ended: Promise.race([ended.then(() => 'The application'), urls.ended.then(() => 'MariaDB')]) }
  }
  catch (error) {
    await stop()
    throw error
  }
}

async function answering(url, server) {
  for (let tries = 0; tries < 600; tries++) {
    if (server.exitCode !== null) throw new Stop('The application ended at once; its message stands above.')
    const answer = await fetch(url).catch(() => undefined)
    if (answer?.ok) return
    await new Promise(resolve => setTimeout(resolve, 100))
  }
  throw new Stop('The application did not answer within a minute. Its last messages stand above.')
}

/** Data folder of the studio. */
export const DATA = join(ROOT, '.data/studio')
