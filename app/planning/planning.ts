import { LRUCache } from 'lru-cache'
import type { Plan, Problem } from '../../core/cutting'
import type { PlannerAnswer, PlannerOrder } from '../workers/messages'
import type { Job, JobEvent } from './job'
import { WAITING, isOpen, next } from './job'
import type { Keyed, Memory } from './memory'

/** As much of a worker as is needed here. */
export interface WorkerLike {
  postMessage: (order: PlannerOrder) => void
  terminate: () => void
}

/** Starts a worker that answers to `hear`, and says to `broken` why it ended by itself. */
export type MakeWorker = (hear: (answer: PlannerAnswer) => void, broken: (reason: string) => void) => WorkerLike

/** Jobs that are not on screen, but may come back by a step back. */
const REMEMBERED = 200
/** Milliseconds that a worker has to take up a newer order. */
const PATIENCE = 400

/**
 * The planning of everything on screen, in one worker. Jobs on screen are held here;
 * others are remembered as far as there is room. A job that was stopped stays stopped, whatever else is asked for.
 */
export class Planning {
  private jobs = new Map<string, Job>()
  private problems = new Map<string, Problem>()
  private readonly remembered = new LRUCache<string, Job>({ max: REMEMBERED })
  private worker?: WorkerLike
  private order = 0
  private answered = 0
  /** Jobs of the newest order that are not done. */
  private outstanding = new Set<string>()

  /** Problems whose plans may be kept: planned only once that is known. */
  private readonly sought = new Set<string>()

  /**
   * @param changed is called whenever a job has changed
   * @param memory is asked before anything is planned, and told what was planned to the end
   */
  constructor(
    private readonly make: MakeWorker,
    private readonly changed: () => void,
    private readonly memory?: Memory<Problem, Plan[]>,
  ) {}

  job(key: string): Job {
    return this.jobs.get(key) ?? WAITING
  }

  /** Shows some problems and no others; those that are new are planned. */
  show(wanted: Keyed<Problem>[]): void {
    const before = this.jobs
    this.problems = new Map(wanted.map(({ key, problem }) => [key, problem]))
    this.jobs = new Map([...this.problems.keys()].map(key => [key, before.get(key) ?? this.remembered.get(key) ?? WAITING]))
    for (const [key, job] of before) if (!this.jobs.has(key)) this.remembered.set(key, job)
    const isSame = before.size === this.jobs.size && [...before.keys()].every(key => this.jobs.has(key))
    if (isSame) return
    const fresh = wanted.filter(({ key }) => this.job(key) === WAITING && !this.sought.has(key))
    // What is kept need not be ordered, so that the order is given once that is known.
    if (this.memory && fresh.length > 0) void this.seek(this.memory, fresh)
    else this.give()
    this.changed()
  }

  /** Keeps the best plans found so far and looks no further. */
  stop(): void {
    this.end()
    this.all({ kind: 'stop' })
  }

  /** Looks on where it was stopped or has failed. */
  resume(): void {
    this.all({ kind: 'resume' })
    this.give()
  }

  end(): void {
    this.order += 1
    this.outstanding.clear()
    this.worker?.terminate()
    this.worker = undefined
  }

  /** Looks up what is new on screen, and orders what is not kept. */
  private async seek(memory: Memory<Problem, Plan[]>, wanted: Keyed<Problem>[]): Promise<void> {
    wanted.forEach(({ key }) => this.sought.add(key))
    const found = await memory.find(wanted)
    wanted.forEach(({ key }) => this.sought.delete(key))
    for (const [key, plans] of found) {
      const done = next(this.job(key), { kind: 'done', plans })
      if (this.problems.has(key)) this.jobs.set(key, done)
      else this.remembered.set(key, done)
    }
    this.give()
    if (found.size > 0) this.changed()
  }

  private all(event: JobEvent): void {
    for (const [key, job] of this.jobs) this.jobs.set(key, next(job, event))
    this.changed()
  }

  /** Orders what is open. A worker that is deep in a step of an older order and does not answer soon is replaced. */
  private give(): void {
    const jobs = [...this.problems].flatMap(([key, problem]) =>
      (isOpen(this.job(key)) && !this.sought.has(key) ? [{ key, problem }] : []))
    if (jobs.length === 0) {
      if (this.outstanding.size > 0) this.end()
      return
    }
    // What is being worked on already is not begun anew.
    if (jobs.length === this.outstanding.size && jobs.every(({ key }) => this.outstanding.has(key))) return
    const late = this.outstanding.size > 0
    const order: PlannerOrder = { kind: 'plan', order: ++this.order, jobs }
    this.outstanding = new Set(jobs.map(({ key }) => key))
    this.worker ??= this.start()
    this.worker.postMessage(order)
    if (!late) return
    setTimeout(() => {
      if (order.order !== this.order || this.answered === this.order) return
      this.worker?.terminate()
      this.worker = this.start()
      this.worker.postMessage(order)
    }, PATIENCE)
  }

  private start(): WorkerLike {
    const started: WorkerLike = this.make((answer) => {
      if (this.worker !== started || answer.order !== this.order || answer.kind === 'kits' || answer.kind === 'shared') return
      this.answered = answer.order
      if (answer.kind !== 'progress') this.outstanding.delete(answer.key)
      if (answer.kind === 'done') this.memory?.keep(answer.key, answer.plans)
      // It may have gone from the screen while it was looked up what else is kept.
      if (!this.jobs.has(answer.key)) return
      this.jobs.set(answer.key, next(this.job(answer.key), answer, this.problems.get(answer.key)?.objective))
      this.changed()
    }, (reason) => {
      if (this.worker !== started) return
      this.worker = undefined
      this.outstanding.clear()
      this.all({ kind: 'failed', reason: reason || 'The planner ended unexpectedly.' })
    })
    return started
  }
}
