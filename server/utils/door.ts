import { BOUNDS } from '../../core/document'
import type { Problem } from '../../core/document'
import { checkShape } from '../../core/document/open'
import type { IncomingMessage } from 'node:http'
import type { H3Event } from 'h3'
import { ConnectionError } from 'sequelize'
import { codeOf } from '../database/connection'

/** Answers a request that cannot be met: a sentence for the maker and, where it helps, each problem with its place. */
export const refusal = (statusCode: number, message: string, data: { problems?: Problem[], saved?: unknown } = {}) =>
  createError({ statusCode, message, data })

/** A route: what it answers, or that the database is away, as the maker needs to know it. */
export const defineDoor = <T>(answer: (event: H3Event) => T | Promise<T>) =>
  defineEventHandler(async (event) => {
    try {
      return await answer(event)
    }
    catch (error) {
      if (isAway(error))
        throw refusal(
          503,
          'The database does not answer. If it does not come back by itself, start Wakaru again; nothing that was saved is lost.',
        )
      throw error
    }
  })

/** No connection could be had, or it broke off under a query. */
const isAway = (error: unknown) =>
  error instanceof ConnectionError || ['PROTOCOL_CONNECTION_LOST', 'ECONNRESET', 'EPIPE', 'ER_SERVER_SHUTDOWN'].includes(codeOf(error))

/** Reads a body as text, but never more than a batch file may hold. */
export async function readText(event: H3Event): Promise<string> {
  const { req } = event.node
  const chunks: Buffer[] = []
  let size = Number(getRequestHeader(event, 'content-length') ?? 0)
  if (size <= BOUNDS.file) {
    size = 0
    for await (const chunk of req as AsyncIterable<Buffer>) {
      size += chunk.length
      if (size > BOUNDS.file) break
      chunks.push(chunk)
    }
  }
  if (size > BOUNDS.file) {
    await discard(req)
    setResponseHeader(event, 'Connection', 'close')
    throw refusal(413, `That is larger than the ${BOUNDS.file / 1e6} MB a class can have. Nothing was changed.`)
  }
  const text = new TextDecoder('utf-8', { fatal: true })
  try {
    return text.decode(Buffer.concat(chunks))
  }
  catch {
    throw refusal(422, 'That is not a text file in UTF-8. Nothing was changed.')
  }
}

/** How much of a body that is too large is still taken, so that its sender can read the answer. */
const PATIENCE = 32 * BOUNDS.file

/** Lets a sender finish, keeping nothing of it. A sender without end is cut off. */
async function discard(req: IncomingMessage): Promise<void> {
  let size = 0
  for await (const chunk of req) {
    size += (chunk as Buffer).length
    if (size > PATIENCE) break
  }
}

/** Reads a JSON body of a known shape, or refuses it with every problem named. */
export async function readShape<T extends object>(event: H3Event, shape: new () => T): Promise<T> {
  let data: unknown
  const body = await readText(event)
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

/** The problems in one sentence, for a message that stands alone. */
export const sentence = (problems: Problem[]): string =>
  problems
    .slice(0, 3)
    .map(({ path, problem }) => `${path} ${problem}`.trim())
    .join('; ')
    + (problems.length > 3 ? ` — and ${problems.length - 3} more` : '')
    + '.'
