import '#nitro-internal-pollyfills'
import { randomBytes } from 'node:crypto'
import type { IncomingMessage, ServerResponse } from 'node:http'
import { Server } from 'node:http'
import { toNodeListener } from 'h3'
import { useNitroApp } from 'nitropack/runtime'
import { endChecks } from './utils/checker'
import { HEADERS } from './utils/headers'
import { Limits, weightOf } from './utils/limits'
import { logError, logLine } from './utils/log'
import { hostsFrom, strangeness } from './utils/strangers'

/*
 * The application as a process of its own: what comes in is bounded in time before anything
 * looks at it, strangers are turned away at every address, and the end is quick whatever runs.
 */

/** Milliseconds: to send the head of a request, to send all of it, and between two requests; bytes of a head. */
const LIMITS = {
  headersTimeout: 5_000,
  requestTimeout: 35_000,
  // Longer than a client keeps an idle line for its next request: none is sent into a line that is just being closed.
  keepAliveTimeout: 65_000,
  connectionsCheckingInterval: 1_000,
  maxHeaderSize: 16_384,
}
/** Lines open at once: more than any studio has windows, fewer than exhaust the machine. */
const MOST_LINES = 2000
/** Milliseconds that what is under way may still take once the end is asked for. */
const PATIENCE = 1_200

const app = useNitroApp()
const answer = toNodeListener(app.h3App)
const limits = new Limits(Number(process.env.WAKARU_RATE) || undefined)
const hosts = hostsFrom(process.env.WAKARU_HOSTS)
const underWay = new Set<ServerResponse>()
let ending = false

const server = new Server(LIMITS, (request, response) => {
  const id = randomBytes(6).toString('hex')
  for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value)
  response.setHeader('X-Request-Id', id)
  underWay.add(response)
  note(id, request, response)
  const strange = strangeness(
    { method: request.method ?? '', path: request.url ?? '', headers: request.headers }, hosts,
  )
  if (strange || ending) return refuse(response, strange ? 403 : 503, strange ?? 'Wakaru is ending. Start it again.')
  // What every answer tells the browser stands above; the framework adds nothing about itself.
  const set = response.setHeader.bind(response)
  response.setHeader = (name, value) => (name.toLowerCase() === 'x-powered-by' ? response : set(name, value))
  void admitted(request, response).then(
    isAdmitted => isAdmitted && answer(request, response), () => answer(request, response),
  )
})
server.maxConnections = MOST_LINES

/** Lets people in, and tells a loop to wait. */
async function admitted(request: IncomingMessage, response: ServerResponse): Promise<boolean> {
  if (!request.url?.startsWith('/api/')) return true
  const address = request.socket.remoteAddress ?? ''
  const wait = await limits.wait(address, weightOf(request))
  const done = wait === undefined ? limits.page(address, request.url) : undefined
  if (done) {
    response.once('close', done)
    return true
  }
  response.setHeader('Retry-After', wait ?? 1)
  refuse(response, 429, 'Wakaru is asked too much from this address. Try again in a moment.')
  return false
}

function refuse(response: ServerResponse, statusCode: number, message: string): void {
  response.writeHead(statusCode, { 'Content-Type': 'application/json', 'Connection': 'close' })
  response.end(JSON.stringify({ statusCode, message }))
}

/** A line in the log for each answer of a route, without anything that people typed. */
function note(id: string, { method, url = '' }: IncomingMessage, response: ServerResponse): void {
  const begin = performance.now()
  response.once('close', () => {
    underWay.delete(response)
    const [path = ''] = url.split('?')
    if (path.startsWith('/_nuxt/') || path.startsWith('/fonts/')) return
    const whole = response.writableFinished
    const ms = Math.round(performance.now() - begin)
    logLine({ level: 'info', id, method, path: path.slice(0, 100), status: response.statusCode, whole, ms })
  })
}

// The framework's own words on an error may quote what was sent; the hook tells what is to be known.
console.error = console.warn = () => {}
app.hooks.hook('error', error => logError(error))
for (const event of ['unhandledRejection', 'uncaughtException']) process.on(event, (error: unknown) => logError(error))

server.on('error', (error) => {
  logError(error)
  process.exit(1)
})
server.listen(
  {
    port: Number(process.env.NITRO_PORT ?? process.env.PORT ?? 3000), host: process.env.NITRO_HOST ?? process.env.HOST,
  },
  () => logLine({ level: 'info', what: 'listening', address: server.address() }),
)

/** Takes nothing new, lets what is under way come to its end, and ends; lines that stay open for news are cut. */
async function end(): Promise<void> {
  if (ending) return
  ending = true
  server.close()
  const isNews = (response: ServerResponse) =>
    String(response.getHeader('Content-Type')).startsWith('text/event-stream')
  for (const until = Date.now() + PATIENCE; Date.now() < until && [...underWay].some(response => !isNews(response));)
    await new Promise(resolve => setTimeout(resolve, 20))
  server.closeAllConnections()
  await Promise.race([
    Promise.all([app.hooks.callHook('close'), endChecks()]), new Promise(resolve => setTimeout(resolve, 300)),
  ])
  process.exit(0)
}
for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP']) process.on(signal, () => void end())

export default {}
