import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { stringify } from 'devalue'
import type { Solve, Solved } from '../core/cutting'
import { run } from './run'
import { loadSolver } from './solver'

/** The program as it is started in a terminal. */
export const program = (args: string[], input?: string) => {
  const words = ['scripts/run.mjs', 'wakaru', ...args]
  const { status, stdout, stderr } = spawnSync('node', words, { encoding: 'utf8', input })
  return { status, stdout, stderr }
}

/** A solver that knows the programmes it has solved: many commands plan the same class. */
export const solved = new Map<string, Solved | undefined>()
let solve: Solve
export const solver = async (): Promise<Solve> => {
  solve ??= await loadSolver()
  return (programme) => {
    const key = stringify(programme)
    if (!solved.has(key)) solved.set(key, solve(programme))
    return structuredClone(solved.get(key))
  }
}

/** What the planner of these tests is called. */
export const PLANNER = 'that of the tests'

/** The same, without a process for each command. */
export async function wakaru(args: string[]) {
  const said: string[] = []
  const complained: string[] = []
  const status = await run(args, {
    say: text => void said.push(`${text}\n`),
    complain: text => void complained.push(`${text}\n`),
    input: () => '',
    solver,
    planner: PLANNER,
  })
  return { status, stdout: said.join(''), stderr: complained.join('') }
}

export const DEMO = 'demo/tide-and-lantern.json'
export const folder = mkdtempSync(join(tmpdir(), 'wakaru-test-'))
export const changed = (name: string, from: string, to: string) => {
  const path = join(folder, name)
  writeFileSync(path, readFileSync(DEMO, 'utf8').replace(from, to))
  return path
}
