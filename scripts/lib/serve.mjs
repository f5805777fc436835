import { existsSync, rmSync } from 'node:fs'
import { createServer } from 'node:http'
import { join, resolve } from 'node:path'
import { bundle } from './bundle.mjs'
import { BACKUPS, finishRestore } from './backups.mjs'
import { startMariaDb } from './database.mjs'
import { ROOM, removeUnfinished, removeWhole, roomyFolder } from './files.mjs'
import { begun } from './lifeline.mjs'
import { keptLog } from './log.mjs'
import { freePort } from './ports.mjs'
import { endChild, spawnTethered } from './processes.mjs'
import { ROOT } from './root.mjs'
import { endOrphans, forgetNote, hold, note } from './running.mjs'
import { Stop, run, say } from './talk.mjs'

/** Data folder of the studio; WAKARU_DATA names another one. */
export const DATA = process.env.WAKARU_DATA ? resolve(process.env.WAKARU_DATA) : join(ROOT, '.data/studio')

/** Makes sure of a folder that can be written to, and that nobody else works in it. */
export async function holdFolder(folder) {
  const isThere = existsSync(join(folder, 'data'))
  roomyFolder(folder, isThere ? ROOM.again : ROOM.first, isThere ? 'Wakaru' : 'a new database')
  return hold(folder)
}

/**
 * How often something may end by itself within some milliseconds before it is given up, and how long the first rest is.
 */
const FAULTS = { most: 5, within: 600_000, rest: 300 }
/** Milliseconds that the application has to end once it is asked. */
const PATIENCE = 1900

/**
 * Starts database and application, and starts them again where they end by themselves; each step is undone in
 * reverse order by `stop`, or by the end of this process.
 * @param {{ folder: string, held?: object, port?: number, demo?: boolean, fresh?: boolean, databaseUrl?: string,
 *   command?: string[], backups?: string }} options `databaseUrl` names a server of one's own instead of ours;
 *   `command` starts the application, the built one by default; `fresh` forgets what the folder holds; `held` is the
 *   hold on the folder where it was taken before
 * @returns {Promise<{ address: string, port: number, ownerUrl: string, stop: () => Promise<void>, ended:
 *   Promise<string> }>} `ended` names what ended by itself too often
 */
export async function serve({
  folder,
  held,
  port = 4173,
  demo = true,
  fresh = false,
  databaseUrl,
  command = ['node', '.output/server/index.mjs'],
  backups = BACKUPS,
}) {
  const undo = []
  const stop = async () => {
    forgotten()
    for (let end = undo.pop(); end; end = undo.pop()) await end()
  }
  const forgotten = begun(stop)
  let givenUp
  const ended = new Promise(resolve => (givenUp = resolve))
  try {
    const mine = held ?? (await holdFolder(folder))
    undo.push(() => (forgetNote(folder), mine.release()))
    const orphans = await endOrphans(folder)
    removeUnfinished(folder)
    finishRestore(folder)
    if (orphans.length > 0) say(`Ended what an earlier start had left running: ${orphans.join(' and ')}.`)
    if (fresh) forget(folder)

    let urls = { url: databaseUrl, ownerUrl: databaseUrl }
    if (!databaseUrl) {
      say('Starting MariaDB …')
      urls = await kept('MariaDB', (before, spawned) =>
        startMariaDb(folder, {
          wanted: before?.port,
          spawned: (pid, end, at) => (spawned(end), note(folder, 'database', pid, { database: at })),
        }),
      )
    }
    const begin = await bundle('server/database/begin.ts', ['core', 'server', 'demo'])
    await run('node', [begin], {
      env: { DATABASE_URL: urls.ownerUrl, WAKARU_DEMO: demo ? 'ferry-lane' : 'none', WAKARU_BACKUPS: backups },
    })

    say('Starting the application …')
    const log = keptLog(join(folder, 'application.log'))
    undo.push(log.close)
    const application = await kept(
      'The application',
      (before, spawned) =>
        startApplication(command, urls.url, before?.port ?? port, log, (pid, end) => {
          spawned(end)
          note(folder, 'application', pid)
        }),
      ({ port }) => standIn(port),
    )
    const address = `http://127.0.0.1:${application.port}`
    mine.serves(address)
    return { address, port: application.port, ownerUrl: urls.ownerUrl, stop, ended }
  }
  catch (error) {
    await stop()
    throw error
  }

  /**
   * Starts something and starts it again whenever it ends by itself, a little later each time.
   * @param {string} name for the maker
   * @param {(before: { port: number } | undefined, spawned: (end: () => Promise<void>) => void) => Promise<{ port:
   *   number, ended: Promise<void> }>} start tells `spawned` how to end the process as soon as there is one
   * @param {(before: { port: number }) => (() => Promise<void>)} [meanwhile] stands in for it until it is ended
   */
  async function kept(name, start, meanwhile = () => async () => {}) {
    const faults = []
    let stopping = false
    let end = async () => {}
    let endStandIn = async () => {}
    const starting = before => start(before, how => (end = how))
    undo.push(async () => {
      stopping = true
      await endStandIn()
      await end()
    })
    const watch = now => (void now.ended.then(() => stopping || again(now)), now)
    return watch(await starting())

    async function again(before) {
      const now = Date.now()
      while (faults.length > 0 && faults[0] < now - FAULTS.within) faults.shift()
      faults.push(now)
      if (faults.length > FAULTS.most) return givenUp(name)
      say(`${name} ended by itself; starting it again …`)
      endStandIn = meanwhile(before)
      await new Promise(resolve => setTimeout(resolve, FAULTS.rest * 2 ** (faults.length - 1)))
      await endStandIn()
      if (stopping) return
      try {
        watch(await starting(before))
        say(`${name} runs again.`)
      }
      catch (error) {
        if (stopping) return
        say(error instanceof Stop ? error.message : String(error))
        await again(before)
      }
    }
  }
}

/** Answers on the application's port while it is away: with a sentence, and with a page that looks again by itself. */
function standIn(port) {
  const page
    = '<!doctype html><html lang="en"><meta charset="utf-8"><meta http-equiv="refresh" content="2"><title>Wakaru</title>'
      + '<p style="font: 1.1rem sans-serif; margin: 3rem">Wakaru is starting again. This page looks for it every two seconds; '
      + 'what was saved is kept.</p></html>'
  const server = createServer((request, answer) => {
    const wantsPage = request.headers.accept?.includes('text/html')
    answer.writeHead(503, {
      'Content-Type': wantsPage ? 'text/html' : 'application/json', 'Retry-After': '2', 'Connection': 'close',
    })
    answer.end(
      wantsPage
        ? page
        : JSON.stringify({ statusCode: 503, message: 'Wakaru is starting again. What was saved is kept.' }),
    )
  })
  server.on('error', () => {})
  server.listen(port, '127.0.0.1')
  return () => new Promise((resolve) => {
    server.close(resolve)
    server.closeAllConnections()
  })
}

/** Forgets all classes and papers of a folder that we hold. */
function forget(folder) {
  removeWhole(join(folder, 'data'))
  rmSync(join(folder, 'password'), { force: true })
}

/** Starts the application on a port, or on the next free one, and waits until it answers. */
async function startApplication(command, databaseUrl, wanted, log, spawned) {
  for (let tries = 1; ; tries++) {
    const port = await freePort(wanted)
    if (wanted && port !== wanted) say(`Port ${wanted} is taken by something else; taking ${port}.`)
    const server = spawnTethered(command[0], command.slice(1), {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        HOST: '127.0.0.1',
        NITRO_HOST: '127.0.0.1',
        PORT: String(port),
        NITRO_PORT: String(port),
        NUXT_DATABASE_URL: databaseUrl,
        DATABASE_URL: undefined,
      },
    })
    log.take(server.stdout)
    log.take(server.stderr)
    let isGone = false
    const ended = new Promise(resolve => server.once('exit', resolve)).then(() => void (isGone = true))
    server.once('error', () => (isGone = true))
    const stop = () => endChild(server, PATIENCE)
    spawned(server.pid, stop)
    try {
      await answering(`http://127.0.0.1:${port}/api/ready`, () => isGone, log)
      return { port, ended }
    }
    catch (error) {
      await stop()
      // Somebody else took the port between our look and the application's.
      if (tries < 3 && (await freePort(port)) !== port) continue
      throw error
    }
  }
}

async function answering(url, isGone, log) {
  for (const end = Date.now() + 60_000; Date.now() < end;) {
    if (isGone()) throw new Stop(`The application ended at once. Its last words:\n${log.tail()}`)
    const answer = await fetch(url, { signal: AbortSignal.timeout(2000) }).catch(() => undefined)
    if (answer?.ok) return
    await new Promise(resolve => setTimeout(resolve, 50))
  }
  throw new Stop(`The application did not answer within a minute. Its last words:\n${log.tail()}`)
}
