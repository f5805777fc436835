import { it } from 'vitest'
import { recounted } from '/work/main/core/recount'
import { halfCut, planned, randomClass } from '/work/main/core/recount/testing'

it('loops', async () => {
  const kinds = new Map<string, string[]>()
  const note = (seed: string, list: { where: string, problem: string }[]) => {
    for (const { where, problem } of list) {
      const k = problem.replace(/[\d.]+/g, '#').slice(0, 70)
      kinds.set(k, [...(kinds.get(k) ?? []), `${seed} ${where}: ${problem}`])
    }
  }
  const t = Date.now()
  for (let seed = 121; seed <= 1200; seed++) {
    try {
      const batch = randomClass(seed)
      const { preparation, outcomes } = planned(batch)
      note(String(seed), await recounted(preparation, outcomes))
      const later = planned(halfCut(batch, outcomes, seed))
      note(`${seed} half`, await recounted(later.preparation, later.outcomes))
    }
    catch (e) { note(String(seed), [{ where: 'THROW', problem: String((e as Error).stack).slice(0, 300) }]) }
  }
  for (const [k, v] of kinds) console.log(v.length, k, '\n   ', v.slice(0, 3).join('\n    '))
  console.log('ms', Date.now() - t)
}, 3_000_000)
