import { LRUCache } from 'lru-cache'
import type { Job, JobEvent } from './job'
import { WAITING, isOpen, next } from './job'
import type { Memory } from './memory'
import type { Remote, Start } from './remote'
import type { Keyed, WorkerAnswer, SearchName, Searches } from './searches'

/** Jobs that are not on screen, but may come back by a step back. */
const REMEMBERED = 200
/** Milliseconds that a worker has to leave an older order. */
const PATIENCE = 100
/** Milliseconds after which it is said again that something is worked on here. */
const SAY_AGAIN = 4000
/** Milliseconds after which it is looked again for what somebody else has begun. */
const LOOK_AGAIN = 1500

interface Options<Name extends SearchName> {
  /** Is called whenever a job has changed. */
  changed: () => void
  start: Start<Name>
  /** Whether an answer takes the place of the one before. */
  takesOver?: (
    next: Searches[Name]['answer'], before: Searches[Name]['answer'], problem: Searches[Name]['problem'],
  ) => boolean
  /** Is asked before anything is looked for, and told what was looked for to the end. */
  memory?: Memory<Searches[Name]['problem'], Searches[Name]['answer']>
}

/**
 * Searches for everything of one kind that is on screen, in one worker, which is kept with the solver it has loaded.
 * Jobs on screen are held here; others are remembered as far as there is room. A job that was stopped stays stopped,
 * whatever else is asked for.
 */
export class Background<Name extends SearchName> {
  private jobs = new Map<string, Job<Searches[Name]['answer']>>()
  private problems = new Map<string, Searches[Name]['problem']>()
  private readonly remembered = new LRUCache<string, Job<Searches[Name]['answer']>>({ max: REMEMBERED })
  private worker?: Remote<Name>
  private order = 0
  /** An older order may still be worked on. */
  private isLate = false
  /** Jobs of the newest order that are not done. */
  private outstanding = new Set<string>()
  /** Problems whose answers may be kept: looked for only once that is known. */
  private readonly sought = new Set<string>()
  /** Those of them that somebody else is working on. */
  private readonly elsewhere = new Set<string>()
  private saying?: ReturnType<typeof setInterval>

  constructor(private readonly name: Name, private readonly options: Options<Name>) {}

  job(key: string): Job<Searches[Name]['answer']> {
    return this.jobs.get(key) ?? this.remembered.get(key) ?? WAITING
  }

  /** Whether somebody else is working on a problem, so that its answer is waited for. */
  isElsewhere(key: string): boolean {
    return this.elsewhere.has(key)
  }

  /** Whether it is not known yet if the answer to a problem is kept somewhere. */
  isLookedUp(key: string): boolean {
    return this.sought.has(key) && !this.elsewhere.has(key)
  }

  /** Shows some problems and no others; those that are new are looked for. */
  show(wanted: Keyed<Searches[Name]['problem']>[]): void {
    const before = this.jobs
    this.problems = new Map(wanted.map(({ key, problem }) => [key, problem]))
    this.jobs = new Map(
      [...this.problems.keys()].map(key => [key, before.get(key) ?? this.remembered.get(key) ?? WAITING]),
    )
    for (const [key, job] of before) if (!this.jobs.has(key)) this.remembered.set(key, job)
    const isSame = before.size === this.jobs.size && [...before.keys()].every(key => this.jobs.has(key))
    if (isSame) return
    const fresh = wanted.filter(({ key }) => this.job(key) === WAITING && !this.sought.has(key))
    // What is kept need not be ordered, so that the order is given once that is known.
    if (this.options.memory && fresh.length > 0) void this.seek(this.options.memory, fresh)
    else this.give()
    this.options.changed()
  }

  /** Keeps the best answers found so far and looks no further. */
  stop(): void {
    this.leave()
    this.all({ kind: 'stop' })
  }

  /** Looks on where it was stopped or has failed. */
  resume(): void {
    this.all({ kind: 'resume' })
    this.give()
  }

  /** Ends the worker. */
  end(): void {
    this.order += 1
    this.outstanding.clear()
    // What is still being looked up begins nothing any more.
    this.problems.clear()
    clearInterval(this.saying)
    this.worker?.end()
    this.worker = undefined
    this.isLate = false
  }

  /** Looks up what is new on screen, and orders what is not kept. */
  private async seek(
    memory: NonNullable<Options<Name>['memory']>, wanted: Keyed<Searches[Name]['problem']>[],
  ): Promise<void> {
    wanted.forEach(({ key }) => this.sought.add(key))
    const found = await memory.find(wanted)
    for (const [key, answer] of found) this.note(key, { kind: 'done', answer })
    const open = wanted.filter(({ key }) => !found.has(key) && this.isWanted(key))
    const others = open.length > 0 ? await memory.begin?.(open.map(({ key }) => key)) ?? new Set<string>() : undefined
    for (const { key } of wanted) {
      if (others?.has(key)) this.elsewhere.add(key)
      else this.sought.delete(key)
    }
    this.give()
    this.options.changed()
    if (others?.size) setTimeout(() => this.seekAgain(memory, open.filter(({ key }) => others.has(key))), LOOK_AGAIN)
  }

  /** Looks again for what somebody else has begun. Who has gone meanwhile is not waited for. */
  private seekAgain(
    memory: NonNullable<Options<Name>['memory']>, wanted: Keyed<Searches[Name]['problem']>[],
  ): void {
    const left = wanted.filter(({ key }) => this.isWanted(key))
    for (const { key } of wanted) {
      this.elsewhere.delete(key)
      this.sought.delete(key)
    }
    if (left.length > 0) void this.seek(memory, left)
    else this.options.changed()
  }

  private isWanted(key: string): boolean {
    return this.problems.has(key) && isOpen(this.job(key))
  }

  private all(event: JobEvent<Searches[Name]['answer']>): void {
    for (const key of this.jobs.keys()) this.note(key, event)
    this.options.changed()
  }

  private note(key: string, event: JobEvent<Searches[Name]['answer']>): void {
    const { takesOver } = this.options
    const problem = this.problems.get(key)
    const job = next(this.job(key), event, takesOver && problem && ((one, other) => takesOver(one, other, problem)))
    if (problem) this.jobs.set(key, job)
    else this.remembered.set(key, job)
  }

  /** Orders what is open. */
  private give(): void {
    const jobs = [...this.problems].flatMap(([key, problem]) =>
      (isOpen(this.job(key)) && !this.sought.has(key) ? [{ key, problem }] : []))
    if (jobs.length === 0) return this.leave()
    // What is being worked on already is not begun anew.
    if (jobs.length === this.outstanding.size && jobs.every(({ key }) => this.outstanding.has(key))) return
    this.send(jobs)
  }

  /** Has the worker do nothing. */
  private leave(): void {
    if (this.outstanding.size > 0) this.send([])
  }

  /** Sends an order. A worker that is deep in a step of an older one and does not leave it soon is replaced. */
  private send(jobs: Keyed<Searches[Name]['problem']>[]): void {
    this.isLate ||= this.outstanding.size > 0
    const order = ++this.order
    this.outstanding = new Set(jobs.map(({ key }) => key))
    this.sayBegun()
    const worker = this.worker ??= this.start()
    let isTaken = false
    worker.search(order, jobs).then(() => {
      isTaken = true
      if (order === this.order) this.isLate = false
    }, (error: unknown) => this.broken(worker, String(error)))
    if (!this.isLate) return
    setTimeout(() => {
      if (isTaken || this.worker !== worker || order !== this.order) return
      worker.end()
      this.worker = undefined
      this.isLate = false
      if (this.outstanding.size === 0) return
      this.outstanding.clear()
      this.send(jobs)
    }, PATIENCE)
  }

  /** As long as something is worked on here, the others are told every now and then. */
  private sayBegun(): void {
    const { begin } = this.options.memory ?? {}
    clearInterval(this.saying)
    if (!begin || this.outstanding.size === 0) return
    this.saying = setInterval(() => {
      if (this.outstanding.size === 0) clearInterval(this.saying)
      else void begin([...this.outstanding])
    }, SAY_AGAIN)
  }

  private start(): Remote<Name> {
    const started: Remote<Name> = this.options.start(
      this.name, said => void (this.worker === started && this.hear(said)), reason => this.broken(started, reason))
    return started
  }

  private hear(said: WorkerAnswer<Searches[Name]['answer']>): void {
    if (said.order !== this.order) return
    if (said.kind !== 'progress') this.outstanding.delete(said.key)
    if (said.kind === 'done') this.options.memory?.keep(said.key, said.answer)
    // It may have gone from the screen while it was looked up what else is kept.
    if (!this.jobs.has(said.key)) return
    this.note(said.key, said)
    this.options.changed()
  }

  private broken(worker: Remote<Name>, reason: string): void {
    if (this.worker !== worker) return
    this.worker = undefined
    this.isLate = false
    this.outstanding.clear()
    this.all({ kind: 'failed', reason: reason || 'The search ended unexpectedly.' })
  }
}
