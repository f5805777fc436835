import { readFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { readNote } from '../lib/running'
import type { Answer, Asked } from './parts'
import { FOLDER } from './studio'

const pidOf = (name: string) => readNote(FOLDER).processes.find(process => process.name === name)?.pid

/** Megabytes that the application holds. */
export function memory() {
  const status = readFileSync(`/proc/${pidOf('application')}/status`, 'utf8')
  return Math.round(Number(/VmRSS:\s+(\d+)/.exec(status)?.[1]) / 1000)
}

/**
 * Milliseconds of the processor that the application's main thread has had; the system counts them, so nothing else
 * adds to it.
 */
export function mainThread() {
  const pid = pidOf('application')
  return Number(readFileSync(`/proc/${pid}/task/${pid}/schedstat`, 'utf8').split(' ')[0]) / 1e6
}

export const percentile = (times: number[], share: number) =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] ?? 0

/** Somebody at an address of their own, with lines that stay open. */
export function person(address: string, number: number) {
  const { hostname, port } = new URL(address)
  const localAddress = `127.0.${1 + Math.floor(number / 200)}.${1 + (number % 200)}`
  const agent = new Agent({ keepAlive: true, maxSockets: 6 })
  return {
    /** Asks; answers nothing where nobody answers. */
    ask: (path: string, { method = 'GET', body, type = 'application/json', patience = 20_000 }: Asked = {}) =>
      new Promise<Answer | undefined>((resolve) => {
        const headers = body === undefined ? {} : { 'Content-Type': type, 'Content-Length': Buffer.byteLength(body) }
        const sent = request(
          { hostname, port, path, method, headers, agent, localAddress, timeout: patience },
          (answer) => {
            let text = ''
            answer
              .setEncoding('utf8')
              .on('data', data => (text += data))
              .on('error', () => resolve(undefined))
              .on('end', () =>
                resolve({
                  status: answer.statusCode ?? 0,
                  text,
                  data: answer.headers['content-type']?.includes('json') ? JSON.parse(text) : undefined,
                }))
          })
        sent.on('error', () => resolve(undefined)).on('timeout', () => sent.destroy())
        sent.end(body)
      }),
    leave: () => agent.destroy(),
  }
}

export type Person = ReturnType<typeof person>

let tokens = 0
/** A change on its way. */
export const edit = (id: string | number | null, patches: object[], since = 999_999_999) => ({
  method: 'POST',
  body: JSON.stringify({
    token: `torture-${process.pid}-${Date.now()}-${++tokens}`, label: 'torture', class: id, since, patches,
  }),
})
