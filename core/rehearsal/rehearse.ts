import { itemAt, numbersFrom, sumOf } from '../lists'
import type { Rehearsal, RehearsalProblem, RehearsedStep, Spread } from './model'

/*
 * An evening played through many times: a discrete-event simulation. Everybody works through their steps at their own
 * pace, waits for a tool that others have, and for the next card to be shown. It knows nothing of cards and no clock.
 */

/** So many times an evening is played through, as long as the class is not large. */
export const RUNS = 500
/** Students of all runs together: a large class is played through less often. */
const MOST_STUDENTS = 20_000
const LEAST_RUNS = 40
/** The next card is shown once so many of those who make the one before it are done. */
const READY = 0.75
/** How far one step of the same person differs from another. */
const UNEVEN = 0.2

/** Numbers from 0 on, below 1. */
type Numbers = () => number

/** How long a step takes: its minutes, times the pace of whoever does it, a little more or less each time. */
export type Duration = (minutes: number, pace: number, numbers: Numbers) => number
const usualDuration: Duration = (minutes, pace, numbers) => minutes * pace * (1 - UNEVEN + 2 * UNEVEN * numbers())

/** One evening as it went. Minutes from the beginning of the class. */
interface Evening {
  /** By stage: when it was shown, and when each who makes it was done, in order. */
  stages: { shown: number, done: number[] }[]
  /** When each student was done with everything. */
  ends: number[]
  /** By tool: the most that waited for it at once, and the minutes that all waited. */
  tools: { queue: number, waited: number }[]
  /** Minutes that all of them waited for something to dry, and for a card to be shown. */
  dried: number
  idle: number
}

export interface RehearsalChoices {
  runs?: number
  seed?: number
  duration?: Duration
}

/**
 * Plays an evening through many times. The same problem, seed and number of runs give the same answer everywhere.
 * @param problem whose needs point at earlier steps of the same stage only
 */
export function rehearse(problem: RehearsalProblem, choices: RehearsalChoices = {}): Rehearsal {
  const { seed = 1, duration = usualDuration } = choices
  const students = sumOf(problem.makers.map(({ count }) => count))
  const most = Math.max(LEAST_RUNS, Math.floor(MOST_STUDENTS / Math.max(1, students)))
  const runs = choices.runs ?? Math.min(RUNS, most)
  const makers = problem.makers.map(({ count, stages }) => ({ count, stages: stages.map(playedSteps) }))
  const played = { ...problem, makers }
  const evenings = Array.from({ length: runs }, (_, run) => evening(played, Math.imul(seed, 7919) + run, duration))
  const last = evenings.map(({ ends }) => Math.max(problem.begins, ...ends))
  const mean = (of: (one: Evening) => number) => sumOf(evenings.map(of)) / Math.max(1, runs)
  const each = (of: (one: Evening) => number) => mean(of) / Math.max(1, students)
  return {
    students,
    runs,
    until: problem.until,
    fits: last.filter(end => end <= problem.until).length / Math.max(1, runs),
    ends: spreadOf(last),
    late: mean(({ ends }) => ends.filter(end => end > problem.until).length),
    stages: problem.stages.map(({ name }, at) => {
      const of = (read: (stage: Evening['stages'][number]) => number) =>
        spreadOf(evenings.map(({ stages }) => read(itemAt(stages, at))))
      return {
        name,
        shown: of(({ shown }) => shown),
        half: of(({ shown, done }) => done[Math.ceil(done.length / 2) - 1] ?? shown),
        done: of(({ shown, done }) => done.at(-1) ?? shown),
      }
    }),
    tools: problem.tools.map(({ name }, at) => ({
      name,
      queue: spreadOf(evenings.map(({ tools }) => itemAt(tools, at).queue)),
      waited: each(({ tools }) => itemAt(tools, at).waited),
    })),
    dried: each(({ dried }) => dried),
    idle: each(({ idle }) => idle),
  }
}

/** One in ten is less, half are, nine in ten are. */
function spreadOf(values: number[]): Spread {
  const sorted = [...values].sort((a, b) => a - b)
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0
  return { low: at(0.1), middle: at(0.5), high: at(0.9) }
}

/** A step as it is played: all of one shape, which is what makes playing quick. */
interface PlayedStep {
  minutes: number
  waits: number
  /** Nothing where it takes no tool that is shared. */
  tool: number
  /** How many steps it needs, and the places of those that need it. */
  needs: number
  neededBy: number[]
}
const playedSteps = (steps: RehearsedStep[]): PlayedStep[] =>
  steps.map(({ minutes, waits, tool = NOTHING, needs }, at) => ({
    minutes, waits, tool, needs: new Set(needs).size,
    neededBy: steps.flatMap(({ needs: others }, other) => (others.includes(at) ? [other] : [])),
  }))
type Played = Omit<RehearsalProblem, 'makers'> & { makers: { count: number, stages: PlayedStep[][] }[] }

const NEVER = Infinity
const NOTHING = -1

/** Somebody who works through the stages. */
interface Student {
  place: number
  stages: PlayedStep[][]
  numbers: Numbers
  pace: number
  stage: number
  /** The steps of the stage, how many of them are not begun, and the places of those whose needs are all done. */
  steps: PlayedStep[]
  left: number
  open: number[]
  /** How many needs of each step are not done, and when those that are done are dry. */
  lacks: Int32Array
  from: Float64Array
  /** The step that they are at or wait for a tool for. */
  at: number
  /** Since when they wait for others. */
  since: number
  /** Minutes that they look up for before their next step: a card was shown while they were at the one before. */
  looking: number
  end: number
}

/** Who is the first that something happens to: a tree in which of every two the earlier one goes up. */
class Next {
  private readonly times: Float64Array
  private readonly winners: Int32Array
  private readonly leaves: number

  constructor(many: number) {
    this.leaves = 2 ** Math.ceil(Math.log2(Math.max(2, many)))
    this.times = new Float64Array(this.leaves).fill(NEVER)
    this.winners = Int32Array.from({ length: 2 * this.leaves }, (_, node) => node - this.leaves)
    for (let node = this.leaves - 1; node > 0; node--) this.winners[node] = this.winners[2 * node] ?? 0
  }

  at(place: number): number {
    return this.times[place] ?? NEVER
  }

  first(): number {
    return this.winners[1] ?? 0
  }

  set(place: number, time: number): void {
    const { times, winners } = this
    times[place] = time
    for (let node = (place + this.leaves) >> 1; node > 0; node >>= 1) {
      const [one, other] = [winners[2 * node] ?? 0, winners[2 * node + 1] ?? 0]
      winners[node] = this.at(one) <= this.at(other) ? one : other
    }
  }
}

/** Plays one evening. */
function evening(
  { makers, stages, tools, spread, begins }: Played, seed: number, duration: Duration,
): Evening {
  const longest = Math.max(0, ...makers.flatMap(({ stages }) => stages.map(({ length }) => length)))
  const students = makers.flatMap(({ count, stages }) => Array.from({ length: count }, () => stages))
    .map((own, place): Student => {
      const numbers = numbersFrom(Math.imul(seed + 1, 65_537) ^ Math.imul(place + 1, 40_503))
      // Two such numbers together are near their middle more often than not.
      const pace = 1 + (spread / 100) * (numbers() + numbers() - 1)
      return {
        place, stages: own, numbers, pace, stage: -1, steps: [], left: 0, open: [],
        lacks: new Int32Array(longest), from: new Float64Array(longest),
        at: NOTHING, since: begins, looking: 0, end: begins,
      }
    })
  const next = new Next(students.length)
  const free = tools.map(({ count }) => count)
  const waiting = tools.map((): Student[] => [])
  const told: Evening = {
    stages: stages.map(() => ({ shown: begins, done: [] })), ends: [], dried: 0, idle: 0,
    tools: tools.map(() => ({ queue: 0, waited: 0 })),
  }
  /** Until when each stage is shown; nothing before that is settled. */
  const shownUntil: (number | undefined)[] = []
  const makeIt = stages.map((_, at) => students.filter(({ stages }) => itemAt(stages, at).length > 0).length)

  show(0, begins)
  for (const student of students) enter(student, begins)
  while (students.length > 0) {
    const who = itemAt(students, next.first())
    const now = next.at(who.place)
    if (now === NEVER) break
    if (who.at !== NOTHING) finish(who, now)
    take(who, now)
  }
  told.ends = students.map(({ end }) => end)
  return told

  /** Shows a stage to all; who is at an earlier one looks up for as long. */
  function show(stage: number, now: number): void {
    const one = stages[stage]
    if (!one || shownUntil[stage] !== undefined) return
    const from = Math.max(now, shownUntil[stage - 1] ?? now)
    const until = from + one.showing
    shownUntil[stage] = until
    itemAt(told.stages, stage).shown = from
    for (const student of students) {
      if (student.stage === stage) {
        told.idle += from - student.since
        next.set(student.place, until)
      }
      else if (student.stage >= 0 && student.stage < stage) student.looking += one.showing
    }
    // Nobody makes it: there is nothing to wait for.
    if (makeIt[stage] === 0) show(stage + 1, until)
  }

  /** Goes on to the next stage that somebody makes. */
  function enter(student: Student, now: number): void {
    do student.stage++
    while (student.stage < stages.length && itemAt(student.stages, student.stage).length === 0)
    student.since = now
    student.looking = 0
    if (student.stage >= stages.length) {
      student.end = now
      next.set(student.place, NEVER)
      return
    }
    student.steps = itemAt(student.stages, student.stage)
    student.from.fill(0)
    student.open = []
    student.left = student.steps.length
    for (const [at, { needs }] of student.steps.entries()) {
      student.lacks[at] = needs
      if (needs === 0) student.open.push(at)
    }
    const until = shownUntil[student.stage]
    next.set(student.place, until === undefined ? NEVER : Math.max(now, until))
  }

  function begin(student: Student, at: number, now: number): void {
    student.at = at
    student.left--
    next.set(student.place, now + duration(student.steps[at]?.minutes ?? 0, student.pace, student.numbers))
  }

  /** A step is done: its tool goes to whoever has waited longest. */
  function finish(student: Student, now: number): void {
    const { lacks, from, open } = student
    const { tool, waits, neededBy } = itemAt(student.steps, student.at)
    for (const other of neededBy) {
      from[other] = Math.max(from[other] ?? 0, now + waits)
      lacks[other] = (lacks[other] ?? 0) - 1
      if (lacks[other] > 0) continue
      const place = open.findIndex(one => one > other)
      open.splice(place < 0 ? open.length : place, 0, other)
    }
    student.at = NOTHING
    if (tool === NOTHING) return
    const heir = itemAt(waiting, tool).shift()
    if (!heir) {
      free[tool] = itemAt(free, tool) + 1
      return
    }
    itemAt(told.tools, tool).waited += now - heir.since
    begin(heir, heir.at, now)
  }

  /** Somebody takes up the first step that can be done, or waits for what they need. */
  function take(student: Student, now: number): void {
    const { steps, from, open } = student
    if (student.left === 0) return leave(student, now)
    if (student.looking > 0) {
      next.set(student.place, now + student.looking)
      student.looking = 0
      return
    }
    let queued = NOTHING
    let dry = NEVER
    for (let place = 0; place < open.length; place++) {
      const at = open[place] ?? 0
      const dryAt = from[at] ?? 0
      if (dryAt > now) {
        if (dryAt < dry) dry = dryAt
        continue
      }
      const { tool } = itemAt(steps, at)
      if (tool === NOTHING || itemAt(free, tool) > 0) {
        if (tool !== NOTHING) free[tool] = itemAt(free, tool) - 1
        open.splice(place, 1)
        return begin(student, at, now)
      }
      if (queued === NOTHING) queued = place
    }
    if (queued === NOTHING) {
      told.dried += dry - now
      next.set(student.place, dry)
      return
    }
    student.at = itemAt(open, queued)
    const { tool } = itemAt(steps, student.at)
    open.splice(queued, 1)
    student.since = now
    next.set(student.place, NEVER)
    const line = itemAt(waiting, tool)
    line.push(student)
    const known = itemAt(told.tools, tool)
    known.queue = Math.max(known.queue, line.length)
  }

  /** Done with a stage: once enough are, the next one is shown. */
  function leave(student: Student, now: number): void {
    const { stage } = student
    const { done } = itemAt(told.stages, stage)
    done.push(now)
    enter(student, now)
    if (done.length >= Math.ceil(READY * itemAt(makeIt, stage))) show(stage + 1, now)
  }
}
