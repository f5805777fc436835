import { readFileSync } from 'node:fs'
import { run } from './run'
import { loadSolver } from './solver'

/** Whatever breaks is told in one line, without the code that it broke in. */
function brokeDown(error: unknown): void {
  console.error(`Wakaru broke down over this: ${error instanceof Error ? error.message : String(error)}`)
  process.exit(3)
}
process.on('uncaughtException', brokeDown)
process.on('unhandledRejection', brokeDown)

void run(process.argv.slice(2), {
  say: console.log, complain: console.error, input: () => readFileSync(0, 'utf8'), solver: loadSolver,
  planner: process.env.WAKARU_PLANNER,
})
  .then(status => (process.exitCode = status))
  .catch(brokeDown)
