import { it } from 'vitest'
import { disagreements, randomCard } from './testing'

it('agrees', () => {
  const told = new Map<string, string[]>()
  const N = Number(process.env.CARDS ?? 300)
  const S = Number(process.env.SEED ?? 1)
  let looked = 0
  for (let seed = S; seed < S + N; seed++) {
    const { fold, card, units } = randomCard(seed)
    const found = disagreements(fold, card, units)
    if (found) looked++
    for (const text of found ?? []) {
      const key = text.replace(/: .* is /, ' ').replace(/\d[\d.]* sq in/, 'X').replace(/, [\d.]+ are/, 'are')
      told.set(key, [...told.get(key) ?? [], `${seed} ${text.slice(0, 70)}`])
    }
  }
  console.log([...told].sort().map(([key, all]) => `: 0 ${key}: ${all.length}  ${all.slice(0, 5).join(' | ')}`).join('\n'), looked)
}, 600000)
