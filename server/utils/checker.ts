import { existsSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { dirname, join } from 'node:path'
import PQueue from 'p-queue'
import { Tinypool } from 'tinypool'
import type { CheckInput, CheckName, CheckOutput } from '../workers/checks'
import { CHECKERS } from '../workers/checks'
import { refusal } from './door'

/** Characters that are checked at once; more leaves the thread that answers everybody. */
const AT_ONCE = 30_000

/**
 * How much of a kind may be done side by side, how many may wait for it, how long each may take (ms) and how much it
 * may hold (MB), and whether it gives way to all else.
 */
interface Limits {
  threads: number
  waiting: number
  patience: number
  memory: number
  gives: boolean
}

/** Lanes beside each other: what is done in one stands before nobody in another. */
const LANES: Record<'saves' | 'archives' | 'pages' | 'figures', Limits> = {
  saves: { threads: Math.max(1, availableParallelism() - 1), waiting: 64, patience: 8_000, memory: 512, gives: false },
  archives: { threads: 1, waiting: 16, patience: 20_000, memory: 384, gives: true },
  pages: { threads: Math.max(1, availableParallelism() - 2), waiting: 32, patience: 30_000, memory: 768, gives: true },
  figures: { threads: 1, waiting: 4, patience: 60_000, memory: 768, gives: true },
}
const LANE_OF: Record<CheckName, keyof typeof LANES> = {
  batch: 'saves', edit: 'saves', save: 'saves', archive: 'archives', unpack: 'archives', belongings: 'archives',
  file: 'pages', pieces: 'pages', pattern: 'pages', student: 'pages', summary: 'figures', takes: 'figures',
}

/** Lies beside the application where it was built; during development and in tests checks are done on the spot. */
const FILE = join(dirname(process.argv[1] ?? ''), 'checker.cjs')
/** Milliseconds after which a thread that has nothing to do ends. */
const IDLE = 30_000

let ending = false

class Lane {
  private readonly line: PQueue
  private threads?: Tinypool

  constructor(private readonly limits: Limits) {
    this.line = new PQueue({ concurrency: limits.threads })
  }

  async run(task: { name: CheckName, input: unknown }): Promise<unknown> {
    if (this.line.size >= this.limits.waiting)
      throw refusal(503, 'Too much is being worked out at the moment. Try again.')
    return await this.line.add(async () => {
      if (ending) throw refusal(503, 'Wakaru is ending.')
      const late = AbortSignal.timeout(this.limits.patience)
      try {
        return await this.pool().run({ ...task, gives: this.limits.gives }, { signal: late })
      }
      catch (error) {
        if (ending) throw refusal(503, 'Wakaru is ending.')
        const isOut = error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY'
        throw late.aborted || isOut ? refusal(422, 'That is too much to be worked out. Nothing was changed.') : error
      }
    })
  }

  async end(): Promise<void> {
    await this.threads?.destroy()
  }

  private pool(): Tinypool {
    return (this.threads ??= new Tinypool({
      filename: FILE,
      minThreads: 0,
      maxThreads: this.limits.threads,
      idleTimeout: IDLE,
      resourceLimits: { maxOldGenerationSizeMb: this.limits.memory },
    }))
  }
}

const lanes = new Map<keyof typeof LANES, Lane>()

function laneOf(name: CheckName): Lane {
  const key = LANE_OF[name]
  const lane = lanes.get(key) ?? new Lane(LANES[key])
  lanes.set(key, lane)
  return lane
}

/**
 * Does a check, in a thread of its own where it may take long.
 * @param size of what is checked, in characters
 */
export async function checked<N extends CheckName>(
  name: N, input: CheckInput<N>, size: number,
): Promise<CheckOutput<N>> {
  if (size <= AT_ONCE || !existsSync(FILE)) return await CHECKERS[name](input as never) as CheckOutput<N>
  return await laneOf(name).run({ name, input }) as CheckOutput<N>
}

/** Whoever waits is told when the application ends. */
export async function endChecks(): Promise<void> {
  ending = true
  await Promise.all([...lanes.values()].map(lane => lane.end()))
}
