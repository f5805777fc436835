import { createServer } from 'node:http'
import type { keptLog } from './log'
import { freePort } from './ports'
import { endChild, spawnTethered } from './processes'
import { ROOT } from './root'
import { Stop, say } from './talk'

/** Milliseconds that the application has to end once it is asked. */
const PATIENCE = 1900

type Log = ReturnType<typeof keptLog>

/** Starts the application on a port, or on the next free one, and waits until it answers. */
export async function startApplication(
  command: string[],
  databaseUrl: string,
  wanted: number,
  log: Log,
  spawned: (pid: number, end: () => Promise<void>) => void,
): Promise<{ port: number, ended: Promise<void> }> {
  const [program = 'node', ...args] = command
  for (let tries = 1; ; tries++) {
    const port = await freePort(wanted)
    if (wanted && port !== wanted) say(`Port ${wanted} is taken by something else; taking ${port}.`)
    const server = spawnTethered(program, args, {
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
    for (const stream of [server.stdout, server.stderr]) if (stream) log.take(stream)
    let isGone = false
    const ended = new Promise(resolve => server.once('exit', resolve)).then(() => void (isGone = true))
    server.once('error', () => (isGone = true))
    const stop = () => endChild(server, PATIENCE)
    spawned(server.pid ?? 0, stop)
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

async function answering(url: string, isGone: () => boolean, log: Log) {
  for (const end = Date.now() + 60_000; Date.now() < end;) {
    if (isGone()) throw new Stop(`The application ended at once. Its last words:\n${log.tail()}`)
    const answer = await fetch(url, { signal: AbortSignal.timeout(2000) }).catch(() => undefined)
    if (answer?.ok) return
    await new Promise(resolve => setTimeout(resolve, 50))
  }
  throw new Stop(`The application did not answer within a minute. Its last words:\n${log.tail()}`)
}

/** Answers on the application's port while it is away: with a sentence, and with a page that looks again by itself. */
export function standIn(port: number): () => Promise<void> {
  const page
    = '<!doctype html><html lang="en"><meta charset="utf-8"><meta http-equiv="refresh" content="2">'
      + '<title>Wakaru</title><p style="font: 1.1rem sans-serif; margin: 3rem">Wakaru is starting again. This page looks for it every two seconds; '
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
    server.close(() => resolve())
    server.closeAllConnections()
  })
}
