import { BOUNDS } from '../../core/document'
import type { Problem } from '../../core/document'
import { checkShape } from '../../core/document/open'
import type { IncomingMessage } from 'node:http'
import type { H3Event } from 'h3'
import { ConnectionAcquireTimeoutError, ConnectionError } from 'sequelize'
import { codeOf, isFault } from '../database/connection'

/** Answers a request that cannot be met: a sentence for the maker and, where it helps, each problem with its place. */
export const refusal = (statusCode: number, message: string, data: { problems?: Problem[], saved?: unknown } = {}) =>
  createError({ statusCode, message, data })

/** Usual milliseconds until somebody who waits is told that it takes too long. */
const DEADLINE = 10_000
/** And where something is made for them that may take long, in its turn. */
export const PATIENT = 40_000

/** Seconds after which somebody who was told that all are busy may try again. */
const AGAIN = 2

/**
 * A route: what it answers, or that the database is away, as the maker needs to know it.
 * @param deadline milliseconds until somebody who waits is told that it takes too long
 */
export const defineDoor = <T>(answer: (event: H3Event) => T | Promise<T>, deadline = DEADLINE) =>
  defineEventHandler(async (event) => {
    try {
      return await answered(event, answer, deadline)
    }
    catch (error) {
      if ((error as { statusCode?: unknown }).statusCode === 503) setResponseHeader(event, 'Retry-After', AGAIN)
      throw error
    }
  })

async function answered<T>(event: H3Event, answer: (event: H3Event) => T | Promise<T>, deadline: number): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined
  try {
    const late = new Promise<never>((_, reject) => {
      timer = setTimeout(
        () => reject(refusal(503, 'That takes too long: the database is slow or away. Try again.')), deadline,
      )
    })
    return await Promise.race([Promise.resolve(answer(event)), late])
  }
  catch (error) {
    if (isFault(error, 'full'))
      throw refusal(507, 'The disk is full. Make room and try again; nothing that was saved is lost.')
    if (isFault(error, 'busy') || isFault(error, 'deadlock'))
      throw refusal(503, 'That takes too long: the database is busy. Try again.')
    if (isAway(error))
      throw refusal(
        503,
        'The database does not answer. If it does not come back by itself, start Wakaru again; nothing that was saved is lost.',
      )
    throw error
  }
  finally {
    clearTimeout(timer)
  }
}

/** No connection could be had, or it broke off under a query. */
const isAway = (error: unknown) =>
  error instanceof ConnectionError
  || error instanceof ConnectionAcquireTimeoutError
  || isFault(error, 'away')
  || ['PROTOCOL_CONNECTION_LOST', 'ECONNRESET', 'EPIPE'].includes(codeOf(error))

/** Milliseconds that a body may take to come in. */
const UPLOAD = 30_000

/**
 * Reads a body of one type, but never more than `most` bytes. What is said to be anything else is not read: a form
 * of another page could send it.
 */
export async function readBytes(event: H3Event, type: string, most: number): Promise<Uint8Array> {
  const { req } = event.node
  const said = (getRequestHeader(event, 'content-type') ?? '').split(';')[0]?.trim().toLowerCase()
  if (said !== type) throw refusal(415, `Wakaru takes ${type} here and nothing else.`)
  const chunks: Buffer[] = []
  let size = Number(getRequestHeader(event, 'content-length') ?? 0)
  // Whoever sends a drop at a time is cut off.
  const late = setTimeout(() => req.destroy(), UPLOAD)
  try {
    if (size <= most) {
      size = 0
      for await (const chunk of req as AsyncIterable<Buffer>) {
        size += chunk.length
        if (size > most) break
        chunks.push(chunk)
      }
    }
    if (size > most) {
      await discard(req, 4 * most)
      setResponseHeader(event, 'Connection', 'close')
      throw refusal(413, `That is larger than the ${most / 1e6} MB that are taken at once. Nothing was changed.`)
    }
  }
  finally {
    clearTimeout(late)
  }
  return Buffer.concat(chunks)
}

/** Reads a JSON body as text. */
export async function readText(event: H3Event, most: number = BOUNDS.file): Promise<string> {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(await readBytes(event, 'application/json', most))
  }
  catch (error) {
    if (!(error instanceof TypeError)) throw error
    throw refusal(422, 'That is not a text file in UTF-8. Nothing was changed.')
  }
}

/**
 * Lets the sender of a body that is too large finish, keeping nothing of it, so that the answer can be read. One
 * without end is cut off.
 */
async function discard(req: IncomingMessage, most: number): Promise<void> {
  let size = 0
  for await (const chunk of req) {
    size += (chunk as Buffer).length
    if (size > most) break
  }
}

/** Reads a JSON body of a known shape, or refuses it with every problem named. */
export async function readShape<T extends object>(event: H3Event, shape: new () => T): Promise<T> {
  let data: unknown
  const body = await readText(event, BOUNDS.form)
  try {
    data = JSON.parse(body)
  }
  catch {
    throw refusal(400, 'The request is not JSON.')
  }
  const checked = checkShape(shape, data)
  if (!checked.ok) throw refusal(422, sentence(checked.problems), { problems: checked.problems })
  return checked.value
}

/** Reads what stands behind the question mark, or refuses it with every problem named. */
export function readQuery<T extends object>(event: H3Event, shape: new () => T): T {
  const checked = checkShape(shape, getQuery(event))
  if (!checked.ok) throw refusal(422, sentence(checked.problems), { problems: checked.problems })
  return checked.value
}

/** The problems in one sentence, for a message that stands alone. */
export const sentence = (problems: Problem[]): string =>
  problems
    .slice(0, 3)
    .map(({ path, problem }) => `${path} ${problem}`.trim())
    .join('; ')
    + (problems.length > 3 ? ` — and ${problems.length - 3} more` : '')
    + '.'
