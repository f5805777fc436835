import { parentPort } from 'node:worker_threads'
import type { CheckName } from './checks'
import { CHECKS } from './checks'

/** Does one check after the other for the application. */
parentPort?.on('message', ({ id, name, input }: { id: number, name: CheckName, input: never }) => {
  parentPort?.postMessage({ id, output: CHECKS[name](input) })
})
