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
  const evenings = Array.from({ length: runs }, (_, run) => evening(problem, Math.imul(seed, 7919) + run, duration))
  const last = evenings.map(({ ends }) => Math.max(problem.begins, ...ends))
  const mean = (of: (one: Evening) => number) => sumOf(evenings.map(of)) / Math.max(1, runs)
  const each = (of: (one: Evening) => number) => mean(of) / Math.max(1, students)
  return {
    students,
    runs,
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

/** Somebody who works through the stages. */
interface Student {
  stages: RehearsedStep[][]
  numbers: Numbers
  pace: number
  stage: number
  /** When each step of the stage is done and dry; nothing before it is done. */
  ready: (number | undefined)[]
  left: number
  /** The step that they are at or wait for a tool for. */
  at?: number
  /** When something happens next; never while others have to come first. */
  next: number
  /** Since when they wait for others. */
  since: number
  /** Minutes that they look up for before their next step: a card was shown while they were at the one before. */
  looking: number
  end: number
}

const NEVER = Infinity

/** Plays one evening. */
function evening(
  { makers, stages, tools, spread, begins }: RehearsalProblem, seed: number, duration: Duration,
): Evening {
  const students = makers.flatMap(({ count, stages }) => Array.from({ length: count }, () => stages))
    .map((own, at): Student => {
      const numbers = numbersFrom(Math.imul(seed + 1, 65_537) ^ Math.imul(at + 1, 40_503))
      // Two numbers of chance together are near their middle more often than not.
      const pace = 1 + (spread / 100) * (numbers() + numbers() - 1)
      return {
        stages: own, numbers, pace, stage: -1, ready: [], left: 0, next: NEVER, since: begins, looking: 0, end: begins,
      }
    })
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
  for (;;) {
    let who: Student | undefined
    for (const student of students) if (student.next < (who?.next ?? NEVER)) who = student
    if (!who) break
    const now = who.next
    if (who.at !== undefined) finish(who, who.at, now)
    take(who, now)
  }
  told.ends = students.map(({ end }) => end)
  return told

  /** The steps of the stage that somebody is at. */
  function stepsOf({ stages, stage }: Student): RehearsedStep[] {
    return itemAt(stages, stage)
  }

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
        student.next = until
      }
      else if (student.stage >= 0 && student.stage < stage && student.left > 0) student.looking += one.showing
    }
    // Nobody makes it: there is nothing to wait for.
    if (makeIt[stage] === 0) show(stage + 1, until)
  }

  /** Goes on to the next stage that somebody makes. */
  function enter(student: Student, now: number): void {
    do student.stage++
    while (student.stage < stages.length && stepsOf(student).length === 0)
    student.at = undefined
    student.since = now
    if (student.stage >= stages.length) {
      student.end = now
      student.next = NEVER
      return
    }
    const steps = stepsOf(student)
    student.ready = steps.map(() => undefined)
    student.left = steps.length
    student.looking = 0
    const until = shownUntil[student.stage]
    student.next = until === undefined ? NEVER : Math.max(now, until)
  }

  function begin(student: Student, at: number, now: number): void {
    student.at = at
    student.next = now + duration(itemAt(stepsOf(student), at).minutes, student.pace, student.numbers)
  }

  /** A step is done: its tool goes to whoever has waited longest. */
  function finish(student: Student, at: number, now: number): void {
    const { tool, waits } = itemAt(stepsOf(student), at)
    student.ready[at] = now + waits
    student.left--
    student.at = undefined
    if (tool === undefined) return
    const next = itemAt(waiting, tool).shift()
    if (!next) {
      free[tool] = itemAt(free, tool) + 1
      return
    }
    itemAt(told.tools, tool).waited += now - next.since
    begin(next, next.at ?? 0, now)
  }

  /** Somebody takes up the first step that can be done, or waits for what they need. */
  function take(student: Student, now: number): void {
    if (student.left === 0) return leave(student, now)
    if (student.looking > 0) {
      student.next = now + student.looking
      student.looking = 0
      return
    }
    let queued: number | undefined
    let dry = NEVER
    const steps = stepsOf(student)
    for (let at = 0; at < steps.length; at++) {
      if (student.ready[at] !== undefined) continue
      const { needs, tool } = itemAt(steps, at)
      let from = now
      for (const need of needs) from = Math.max(from, student.ready[need] ?? NEVER)
      if (from > now) {
        dry = Math.min(dry, from)
        continue
      }
      if (tool === undefined || itemAt(free, tool) > 0) {
        if (tool !== undefined) free[tool] = itemAt(free, tool) - 1
        return begin(student, at, now)
      }
      queued ??= at
    }
    const tool = queued === undefined ? undefined : itemAt(steps, queued).tool
    if (tool === undefined) {
      told.dried += dry - now
      student.next = dry
      return
    }
    student.at = queued
    student.since = now
    student.next = NEVER
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
