import { describe, expect, it } from 'vitest'
import { addStep, dressedCard, setStep } from '../dressing'
import { chanceOf, randomDressing, variantsOf } from '../dressing/testing'
import type { Construction, Joint } from '../folds'
import { FOLDS, isLayer } from '../folds'
import { inches, millimetres } from '../lengths'
import { START } from '../making'
import { NO_DRESSING, bareCard } from '../document'

const MARK = { inch: inches(1 / 16), metric: millimetres(1) }
const CARDS = 24

/**
 * Follows the steps of a card as hands would: answers what cannot be done when its turn comes. It knows the joints and
 * works out from them alone what lies on what.
 */
function follow({ parts, joints, steps, extras }: Construction): string[] {
  const wrong: string[] = []
  if (new Set(steps.map(({ key }) => key)).size < steps.length) wrong.push('two steps are called alike')
  const [made, put, worked] = [new Set<string>(), new Map<string, number>(), new Set<string>()]
  const isIn = new Set(joints.map(({ part }) => part))
  const layers = new Set(parts.filter(({ kind }) => isLayer(kind)).map(({ key }) => key))
  const makers = (key: string) => /--/.test(key)
  steps.forEach(({ key: name, text, makes, puts, works = [], finishes = [], lays }, at) => {
    for (const key of finishes) {
      worked.add(key)
      if (isIn.has(key) && !put.has(key)) wrong.push(`${name}: ${key} is not on its card yet`)
    }
    for (const key of [...makes, ...puts, ...works, ...finishes])
      if (!parts.some(part => part.key === key)) wrong.push(`${name}: ${key} is not there`)
    for (const key of works) {
      if (made.has(key) || put.has(key)) wrong.push(`${name}: ${key} is stamped after it was scored or put on`)
      worked.add(key)
    }
    for (const key of puts) {
      if (put.has(key)) wrong.push(`${name}: ${key} is put on twice`)
      put.set(key, at)
      for (const joint of joints.filter(({ part }) => part === key))
        wrong.push(...hiddenBy(joint).map(other => `${name}: ${key} lies under ${other}, which is there already`))
      if (!makers(key)) continue
      const [on] = joints.filter(({ part }) => part === key).map(({ onto }) => onto.part)
      const isOnLayer = on !== undefined && layers.has(on)
      if (isOnLayer && !put.has(on)) wrong.push(`${name}: ${key} lies on ${on}, which is not there yet`)
    }
    for (const key of makes) made.add(key)
    if (!/^[A-Z“].*\.$/.test(text)) wrong.push(`${name} says “${text}”`)
    const known = new Set([
      ...parts.flatMap(part => [part.name, ...part.works?.map(({ shows }) => shows) ?? []]),
      ...extras.map(({ name }) => name),
    ])
    for (const [, said] of text.matchAll(/“(.+?)”/g))
      if (!known.has(said ?? ''))
        wrong.push(`${name} speaks of ${said}`)
    if (lays) for (const part of parts.filter(({ key }) => puts.includes(key)))
      if (!text.toLowerCase().includes(part.name.toLowerCase())) wrong.push(`${name} does not name ${part.name}`)
    if (lays && !/ (?:to|on) .*(?:inside|outside|front|back|the \w|“)/.test(text)) wrong.push(`${name} names no face`)
  })
  for (const key of isIn) if (!put.has(key)) wrong.push(`${key} is never put on`)
  for (const { key, works = [] } of parts)
    for (const { shows } of works) {
      if (!worked.has(key)) wrong.push(`${key} is never stamped`)
      if (!steps.some(({ text }) => text.includes(shows))) wrong.push(`nobody shows “${shows}”`)
    }
  return wrong

  /** What was put right on the same side of the same panel before, over the place of a maker's layer or piece. */
  function hiddenBy(joint: Joint): string[] {
    if (!makers(joint.part)) return []
    return joints.filter(other =>
      other.part !== joint.part
      && put.has(other.part) && put.get(other.part) !== put.get(joint.part)
      && other.onto.part === joint.onto.part && other.onto.key === joint.onto.key && other.face === joint.face
      && !makers(other.part) && !layers.has(other.part)
      && joint.turned === 0 && other.turned === 0
      && joint.x.value < other.x.value + other.by.width.value && other.x.value < joint.x.value + joint.by.width.value
      && joint.y.value < other.y.value + other.by.height.value && other.y.value < joint.y.value + joint.by.height.value,
    ).map(({ part }) => part)
  }
}

describe.each(FOLDS.map(fold => [fold.id, fold] as const))('the steps of %s, dressed by chance', (_, fold) => {
  it('can be followed one after the other, leave nothing out and speak of nothing that is not there', () => {
    for (let seed = 1; seed <= CARDS; seed++) {
      const chance = chanceOf(seed)
      const units = seed % 2 === 0 ? 'metric' : 'inch'
      const parameters = chance.pick(variantsOf(fold))
      const card = { ...bareCard('card', 'Probe', fold.id), parameters }
      const made = dressedCard(fold, { ...card, ...randomDressing(fold, card, units, chance) }, units, MARK[units])
      if (made.findings.some(({ subject }) => subject === 'Order of work')) continue
      expect(follow(made), `seed ${seed}`).toEqual([])
    }
  })

  it('stay so wherever their maker moves them, with steps of their own among them', () => {
    for (let seed = 1; seed <= CARDS; seed++) {
      const chance = chanceOf(seed + 1000)
      const bare = bareCard('card', 'Probe', fold.id)
      const card = { ...bare, ...randomDressing(fold, bare, 'inch', chance) }
      const before = dressedCard(fold, card, 'inch', MARK.inch)
      if (before.findings.some(({ subject }) => subject === 'Order of work')) continue
      const places = [START, ...before.steps.map(({ key }) => key)]
      for (let moves = chance.below(5); moves >= 0; moves--) {
        if (chance.yes(0.3)) addStep(card, chance.pick(places), `Hold it up and look at it (${moves}).`)
        else setStep(card, chance.pick(before.steps).key, { after: chance.pick(places) })
      }
      const made = dressedCard(fold, card, 'inch', MARK.inch)
      expect(follow(made), `seed ${seed}`).toEqual([])
      const own = made.steps.filter(({ text }) => text.startsWith('Hold it up')).length
      expect(own).toBe(card.steps.filter(({ step }) => step === '').length)
      expect(made.steps).toHaveLength(before.steps.length + own)
    }
  })

  it('are missed by this count where two are exchanged', () => {
    const card = dressedCard(fold, { parameters: {}, ...NO_DRESSING }, 'inch', MARK.inch)
    const lay = card.steps.findIndex(({ lays }) => lays)
    if (lay < 0) return
    const twice = { ...card, steps: [...card.steps, card.steps[lay]!] }
    const gone = { ...card, steps: card.steps.toSpliced(lay, 1) }
    for (const bad of [twice, gone]) expect(follow(bad)).not.toEqual([])
  })
})
