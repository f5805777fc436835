import type { CardEntry } from '../document'
import { dressedCard, lyingFindings } from '../dressing'
import { chanceOf, randomDressing } from '../dressing/testing'
import type { Fold } from '../folds'
import { FOLDS } from '../folds'
import type { Units } from '../lengths'
import { inches, millimetres } from '../lengths'
import type { Amiss } from '.'
import { AMISS, roomsToWrite, secondLook } from '.'

const MARK = { inch: inches(1 / 16), metric: millimetres(1) } as const
const bare = (): CardEntry => ({ parameters: {}, papers: {}, faces: [], free: [], parts: [] }) as unknown as CardEntry

/** A card of any fold, dressed in any way: the same number is the same card. */
export function randomCard(seed: number): { fold: Fold, card: CardEntry, units: Units } {
  const chance = chanceOf(seed)
  const fold = chance.pick(FOLDS)
  const units = chance.pick(['inch', 'metric'] as const)
  const card = bare()
  return { fold, card: { ...card, ...randomDressing(fold, card, units, chance) }, units }
}

/** What findings and the second look do not agree on; nothing where a card cannot be made at all. */
export function disagreements(fold: Fold, card: CardEntry, units: Units): string[] | undefined {
  const [natural, made] = [bare(), card].map(each => dressedCard(fold, each, units, MARK[units])) as [ReturnType<typeof dressedCard>, ReturnType<typeof dressedCard>]
  if (made.findings.some(({ severity }) => severity === 'stop')) return undefined
  const findings = [...made.findings, ...lyingFindings(made, units)]
  const looked = secondLook(natural, made)
  const words = (Object.keys(AMISS) as Amiss[]).flatMap((amiss) => {
    const said = new Set(findings.filter(({ problem }) => AMISS[amiss].test(problem)).map(({ part }) => part))
    return made.parts.flatMap(({ key, name }) => {
      const verdict = looked[amiss].get(key) ?? 'no'
      if (verdict === 'hardly' || (verdict === 'yes') === said.has(key)) return []
      return [`${fold.id}: ${name} (${key}) is ${verdict === 'yes' ? '' : 'not '}${amiss}, and the findings say otherwise`]
    })
  })
  return [...words, ...written(fold, card, made)]
}

/** Half a square inch more or less is the grain of the second look. */
const GRAIN = (inches(0.5) * inches(1))

function written(fold: Fold, card: CardEntry, made: ReturnType<typeof dressedCard>): string[] {
  const said = [made.message, ...made.alsoMessages ?? []].flatMap(area => (area ? [area.width.value * area.height.value] : []))
  const found = roomsToWrite(made, card).map(({ width, height }) => width * height)
  return said.flatMap((area, at) => {
    const room = found[at] ?? 0
    // Boxes round what is round take a little more than it does.
    if (area <= room * 1.1 + GRAIN && area >= room * 0.75 - GRAIN) return []
    const inSquare = (size: number) => (size / inches(1) ** 2).toFixed(1)
    return [`${fold.id}: a message area of ${inSquare(area)} sq in is said, ${inSquare(room)} are free`]
  })
}
