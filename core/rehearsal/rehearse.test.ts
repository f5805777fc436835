import { describe, expect, it } from 'vitest'
import { chanceOf } from '../dressing/testing'
import { itemAt } from '../lists'
import type { RehearsalProblem, RehearsedStep } from './model'
import { rehearse } from './rehearse'

const step = (minutes: number, more: Partial<RehearsedStep> = {}): RehearsedStep =>
  ({ minutes, waits: 0, needs: [], ...more })
const chain = (steps: RehearsedStep[]): RehearsedStep[] =>
  steps.map((one, at) => ({ ...one, needs: at > 0 ? [at - 1] : [] }))
const evening = (more: Partial<RehearsalProblem>): RehearsalProblem => ({
  makers: [], stages: [{ name: 'A', showing: 0 }], tools: [], spread: 0, begins: 0, until: 60, ...more,
})
/** Everybody takes exactly as long as is said. */
const exactly = (problem: RehearsalProblem) => rehearse(problem, { runs: 1, duration: minutes => minutes })
const all = (at: number) => ({ low: at, middle: at, high: at })

describe('an evening worked out by hand', () => {
  it('is as long as the steps of everybody, where nothing is shared', () => {
    const { ends, fits, late, stages } = exactly(evening({
      makers: [{ count: 3, stages: [[step(4), step(5)]] }, { count: 1, stages: [[step(12)]] }],
    }))
    expect([ends, fits, late]).toEqual([all(12), 1, 0])
    expect(stages).toEqual([{ name: 'A', shown: all(0), half: all(9), done: all(12) }])
  })

  it('makes everybody wait for one machine in turn', () => {
    // 2 minutes by hand, then 3 at the machine: the k-th of four comes off it after 2 + 3k minutes.
    const makers = [{ count: 4, stages: [chain([step(2), step(3, { tool: 0 })])] }]
    const { ends, tools, stages } = exactly(evening({ makers, tools: [{ name: 'machine', count: 1 }] }))
    expect([ends, itemAt(stages, 0).half]).toEqual([all(14), all(8)])
    expect(tools).toEqual([{ name: 'machine', queue: all(3), waited: (0 + 3 + 6 + 9) / 4 }])
    const two = exactly(evening({ makers, tools: [{ name: 'machine', count: 2 }] }))
    expect([two.ends, itemAt(two.tools, 0).waited]).toEqual([all(8), (0 + 0 + 3 + 3) / 4])
  })

  it('fills the drying with other work, and waits where there is none', () => {
    const wet = step(2, { waits: 10 })
    const dry = (others: RehearsedStep[]) =>
      exactly(evening({ makers: [{ count: 1, stages: [[wet, step(1, { needs: [0] }), ...others]] }] }))
    expect([dry([]).ends, dry([]).dried]).toEqual([all(13), 10])
    expect([dry([step(4)]).ends, dry([step(4)]).dried]).toEqual([all(13), 6])
    expect([dry([step(15)]).ends, dry([step(15)]).dried]).toEqual([all(18), 0])
  })

  it('does other work rather than wait for the machine', () => {
    const makers = [{ count: 2, stages: [[step(3, { tool: 0 }), step(3)]] }]
    expect(exactly(evening({ makers, tools: [{ name: 'machine', count: 1 }] })))
      .toMatchObject({ ends: all(6), tools: [{ waited: 0 }] })
  })

  it('shows the next card when three of four are done; who is not looks up for as long', () => {
    const of = (minutes: number) => ({ count: 1, stages: [[step(minutes), step(minutes)], [step(5)]] })
    const { stages, ends, idle } = exactly(evening({
      makers: [of(1), of(2), of(3), of(10)], stages: [{ name: 'A', showing: 2 }, { name: 'B', showing: 4 }],
    }))
    // Shown until 2; done at 4, 6 and 8, so that B is shown from 8 to 12 and three are done with it at 17. The fourth
    // looks up at 12 until 16, and is done with A at 26 and with B at 31.
    expect(stages).toMatchObject([{ shown: all(0), done: all(26) }, { shown: all(8), half: all(17), done: all(31) }])
    expect([ends, idle]).toEqual([all(31), (4 + 2 + 0 + 0) / 4])
  })

  it('does not wait for who does not make a card, and passes over a card of nobody', () => {
    const { stages, ends } = exactly(evening({
      makers: [{ count: 1, stages: [[step(3)], [], [step(4)]] }, { count: 1, stages: [[], [], [step(1)]] }],
      stages: ['A', 'B', 'C'].map(name => ({ name, showing: 1 })),
    }))
    expect(stages.map(({ done }) => done.middle)).toEqual([4, 4, 10])
    expect(ends).toEqual(all(10))
  })

  it('has nobody', () => {
    expect(exactly(evening({ begins: 5 }))).toMatchObject({ students: 0, ends: all(5), fits: 1, late: 0, idle: 0 })
  })
})

describe('an evening by chance', () => {
  it('is the same each time, and another with another seed', () => {
    const problem = evening({ makers: [{ count: 9, stages: [[step(20), step(10)]] }], spread: 40, until: 36 })
    expect(rehearse(problem)).toEqual(rehearse(problem))
    expect(rehearse(problem, { seed: 2 }).ends).not.toEqual(rehearse(problem).ends)
    const { ends, fits } = rehearse(problem)
    expect(ends.low).toBeLessThan(ends.middle)
    expect(ends.middle).toBeLessThan(ends.high)
    expect(fits > 0 && fits < 1).toBe(true)
  })

  /*
   * Students who work by hand for Z minutes on average and then at the one machine for S, both exponentially long: a
   * closed queueing network. Its throughput follows by mean value analysis (Reiser and Lavenberg, 1980):
   * R(n) = S (1 + Q(n - 1)), X(n) = n / (R(n) + Z), Q(n) = X(n) R(n).
   */
  it.each([[3, 6, 2], [8, 10, 2], [14, 5, 1]])('keeps %i students at a machine as long as theory says', (n, z, s) => {
    let queue = 0
    let throughput = 0
    for (let at = 1; at <= n; at++) {
      const response = s * (1 + queue)
      throughput = at / (response + z)
      queue = throughput * response
    }
    const rounds = 400
    const steps = chain(Array.from({ length: rounds }, () => [step(z), step(s, { tool: 0 })]).flat())
    const { stages, tools } = rehearse(
      evening({ makers: [{ count: n, stages: [steps] }], tools: [{ name: 'machine', count: 1 }] }),
      { runs: 12, duration: (minutes, _, numbers) => -minutes * Math.log(1 - numbers()) },
    )
    // Half are done shortly before all, after which the machine is not as busy: the middle of the run counts.
    const measured = (n * rounds) / itemAt(stages, 0).half.middle
    expect(measured / throughput).toBeGreaterThan(0.95)
    expect(measured / throughput).toBeLessThan(1.06)
    const waited = rounds * (n / throughput - z - s)
    expect(itemAt(tools, 0).waited / waited).toBeGreaterThan(0.9)
    expect(itemAt(tools, 0).waited / waited).toBeLessThan(1.1)
  })

  /** Whatever comes, nobody is quicker than their own work, and no machine gives more than there is of it. */
  it('is never shorter than its bounds', () => {
    const { below, yes } = chanceOf(7)
    const whole = (least: number, most: number) => least + below(most - least + 1)
    for (let round = 0; round < 60; round++) {
      const steps = Array.from({ length: whole(1, 12) }, (_, at): RehearsedStep => step(whole(0, 9), {
        waits: yes(0.3) ? whole(1, 12) : 0,
        needs: Array.from({ length: at }, (_, before) => before).filter(() => yes(0.3)),
        ...(yes(0.4) && { tool: 0 }),
      }))
      const [count, machines] = [whole(1, 20), whole(1, 3)]
      const { ends } = exactly(evening({
        makers: [{ count, stages: [steps] }], tools: [{ name: 'machine', count: machines }],
      }))
      const sum = (of: RehearsedStep[]) => of.reduce((total, { minutes }) => total + minutes, 0)
      const shared = (count * sum(steps.filter(({ tool }) => tool === 0))) / machines
      // The longest way through the needs, dried in between.
      const from: number[] = []
      steps.forEach(({ minutes, needs }, at) => {
        from[at] = minutes + Math.max(0, ...needs.map(need => from[need]! + steps[need]!.waits))
      })
      expect(ends.middle).toBeGreaterThanOrEqual(Math.max(sum(steps), shared, ...from) - 1e-9)
      const dries = steps.reduce((all, { waits }) => all + waits, 0)
      expect(ends.middle).toBeLessThanOrEqual(count * sum(steps) + dries + 1e-9)
    }
  })
})
