import type { CardEntry, ParameterInputs } from '../document'
import { dressedCard, lyingFindings } from '../dressing'
import { chanceOf, randomDressing } from '../dressing/testing'
import type { Finding, Fold, WorkedOut } from '../folds'
import { FOLDS } from '../folds'
import type { Units } from '../lengths'
import { inches, millimetres } from '../lengths'
import type { Amiss, Verdict } from '.'
import { AMISS, roomsToWrite, secondLook } from '.'

const MARK = { inch: inches(1 / 16), metric: millimetres(1) } as const
const bare = (parameters: ParameterInputs = {}): CardEntry =>
  ({ parameters, papers: {}, faces: [], free: [], parts: [], steps: [], note: '' }) as unknown as CardEntry

/** No line of writing is lower. */
const LINE = millimetres(6)

/** Any of the choices that a fold offers; every other card is made as is natural. */
function randomChoices({ parameters }: Fold, chance: ReturnType<typeof chanceOf>): ParameterInputs {
  if (chance.pick([true, false])) return {}
  return Object.fromEntries(Object.entries(parameters).flatMap(([name, parameter]): [string, string | boolean][] => {
    if (parameter.kind === 'toggle') return [[name, chance.pick([true, false])]]
    return parameter.kind === 'choice' ? [[name, chance.pick(parameter.options).value]] : []
  }))
}

/** A card of any fold, made and dressed in any way: the same number is the same card. */
export function randomCard(seed: number): { fold: Fold, card: CardEntry, units: Units } {
  const chance = chanceOf(seed)
  const fold = chance.pick(FOLDS)
  const units = chance.pick(['inch', 'metric'] as const)
  const card = bare(randomChoices(fold, chance))
  return { fold, card: { ...card, ...randomDressing(fold, card, units, chance) }, units }
}

/** What a look at many random cards has seen. */
export interface Looked {
  /** Cards that can be made at all. */
  looked: number
  folds: Set<string>
  /** Kinds of faults that points and findings have both seen. */
  found: Set<string>
  messages: number
  /** What does not agree, with the number of the card. */
  wrong: string[]
}

/** Looks at as many random cards from a number on. */
export function randomCards(first: number, cards: number): Looked {
  const seen: Looked = { looked: 0, folds: new Set(), found: new Set(), messages: 0, wrong: [] }
  for (let seed = first; seed < first + cards; seed++) {
    const { fold, card, units } = randomCard(seed)
    const wrong = disagreements(fold, card, units, findingsOf, seen)
    if (!wrong) continue
    seen.looked++
    seen.folds.add(fold.id)
    seen.wrong.push(...wrong.map(problem => `${seed}: ${problem}`))
  }
  return seen
}

const findingsOf = (made: WorkedOut, units: Units): Finding[] => [...made.findings, ...lyingFindings(made, units)]

/**
 * What findings and the second look do not agree on; nothing where a card cannot be made at all.
 * @param say what is found wrong with it
 * @param seen is told what both have seen
 */
export function disagreements(
  fold: Fold, card: CardEntry, units: Units, say = findingsOf, seen?: Pick<Looked, 'found' | 'messages'>,
): string[] | undefined {
  const dressed = (each: CardEntry) => dressedCard(fold, each, units, MARK[units])
  const [natural, made] = [dressed(bare(card.parameters)), dressed(card)]
  if (made.findings.some(({ severity }) => severity === 'stop')) return undefined
  const findings = say(made, units)
  if (seen) seen.messages += [made.message, ...made.alsoMessages ?? []].filter(area => area?.on).length
  const looked = secondLook(natural, made)
  let closer: typeof looked | undefined
  const verdictOn = (amiss: Amiss, key: string, isSaid: boolean): Verdict => {
    const verdict = looked[amiss].get(key) ?? 'no'
    // What is said of a sliver may lie between the points.
    return verdict === 'no' && isSaid ? (closer ??= secondLook(natural, made, true))[amiss].get(key) ?? 'no' : verdict
  }
  const words = (Object.keys(AMISS) as Amiss[]).flatMap((amiss) => {
    const said = new Set(findings.filter(({ problem }) => AMISS[amiss].test(problem)).map(({ part }) => part))
    return made.parts.flatMap(({ key, name }) => {
      const verdict = verdictOn(amiss, key, said.has(key))
      if (verdict === 'yes' && said.has(key)) seen?.found.add(amiss)
      if (verdict === 'hardly' || (verdict === 'yes') === said.has(key)) return []
      return [
        `${fold.id}: ${name} (${key}) is ${verdict === 'yes' ? '' : 'not '}${amiss}, and the findings say otherwise`,
      ]
    })
  })
  return [...words, ...written(fold, made)]
}

function written(fold: Fold, made: WorkedOut): string[] {
  const said = [made.message, ...made.alsoMessages ?? []]
  return roomsToWrite(made).flatMap((found, at) => {
    const stated = said[at]
    // One that runs across a crease lies on no single panel.
    if (!found || !stated) return []
    const [area, room] = [stated.width.value * stated.height.value, found.width * found.height]
    // Nobody writes on so little.
    if (Math.max(area, room) < inches(1) ** 2 / 4) return []
    if (
      [stated.width.value, stated.height.value].some(side => side < LINE)
      && Math.min(found.width, found.height) < LINE
    )
      return []
    // Boxes round what is round take a little more than it does.
    if (area <= room * 1.1 + found.grain && area >= room * 0.75 - found.grain) return []
    const inSquare = (size: number) => (size / inches(1) ** 2).toFixed(1)
    return [`${fold.id}: a message area of ${inSquare(area)} sq in is said, ${inSquare(room)} are free`]
  })
}
