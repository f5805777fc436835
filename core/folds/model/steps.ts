import { inARow } from '../../lists'
import type { Units } from '../../lengths'
import { START, inOrder, moved } from '../../making'
import type { Construction, Face, Finding, Joint, Panel, Step } from './card'
import { isLayer, isMakers } from './card'
import { layerWords } from './layer-words'
import { saidWords } from './own-words'

type Keys = [makes: string[], puts: string[], works: string[], finishes: string[]]
type Laid = Pick<Construction, 'parts' | 'joints' | 'steps'>

/**
 * The steps of a card in their natural order, each after what it needs: what is laid on a layer after that layer, what
 * lies on a face before something comes to lie over it or the face is glued down, and what a piece needs after the
 * piece is scored and cut. Steps of what is not there any more are gone, and what is said of layers follows from where
 * they lie.
 */
export function settledSteps(card: Laid, units: Units): { steps: Step[], findings: Finding[] } {
  const keys = new Set(card.parts.map(({ key }) => key))
  const given = card.steps.flatMap((step): Step[] => {
    const there = (all: string[] = []) => all.filter(key => keys.has(key))
    const [makes, puts, works, finishes] = [step.makes, step.puts, step.works, step.finishes].map(there) as Keys
    const isOwn = (step.lays ?? step.works ?? step.finishes) !== undefined
    if (isOwn && puts.length + works.length + finishes.length === 0) return []
    return [{ ...step, makes, puts, ...(step.works && { works }), ...(step.finishes && { finishes }) }]
  })
  const needs = needsOf({ ...card, steps: given })
  const needing = given.map(step => ({ ...step, needs: [...step.needs, ...needs.get(step.key) ?? []] }))
  const { steps: natural, ring } = inOrder(needing)
  const steps = moved(natural, given.flatMap(({ key, after }) => (after === undefined ? [] : [{ key, after }])))
  const findings: Finding[] = []
  const worded = steps.map((step) => {
    const { puts, lays, said } = step
    if (said !== undefined) {
      const { text, unknown } = saidWords(said, card.parts, units)
      if (unknown.length > 0)
        findings.push(noteOn(text, `speaks of ${inARow(unknown)}, which the card does not have.`))
      return { ...step, text }
    }
    return lays ? { ...step, text: layerWords(card, puts, units, lays) } : step
  })
  const there = new Set(steps.map(({ key }) => key))
  for (const { after, text } of worded) {
    if (after === undefined || after === START || there.has(after)) continue
    findings.push(noteOn(text, 'came after a step that the card does not have: it stands where it naturally does.'))
  }
  if (ring) {
    const told = ({ key }: Step) => worded.find(step => step.key === key)?.text ?? key
    findings.push({
      severity: 'stop', subject: 'Order of work',
      problem: `“${told(ring[0])}” and “${told(ring[1])}” each have to come before the other: one of the two must lie `
        + 'elsewhere.',
    })
  }
  return { steps: worded, findings }
}

const noteOn = (text: string, problem: string): Finding => ({ severity: 'warn', subject: `Step “${text}”`, problem })

/** Where something lies on a face, below all layers: the box round it, from the lower left corner of its panel. */
interface Lying {
  panel: Panel
  side: Face
  x: number
  y: number
  width: number
  height: number
}

/** What steps need for what lies where, by their keys. */
function needsOf(card: Laid): Map<string, Set<string>> {
  const { joints, steps, parts } = card
  const putIn = new Map(steps.flatMap(step => step.puts.map(key => [key, step] as const)))
  const madeIn = new Map(steps.flatMap(step => step.makes.map(key => [key, step] as const)))
  const kinds = new Map(parts.map(({ key, kind }) => [key, kind]))
  const layer = (key: string): boolean => {
    const kind = kinds.get(key)
    return kind !== undefined && isLayer(kind)
  }
  const joined = new Map<string, Joint>()
  for (const joint of joints) if (layer(joint.part)) joined.set(joint.part, joint)
  const needs = new Map<string, Set<string>>()
  const before = (first: Step | undefined, then: Step | undefined) => {
    if (!first || !then || first === then) return
    needs.set(then.key, (needs.get(then.key) ?? new Set()).add(first.key))
  }
  const lying = joints.flatMap((joint, at) => {
    const step = putIn.get(joint.part)
    return step ? [{ joint, at, step, on: lyingOf(joint, joined) }] : []
  })
  // Layers lie lowest, then what a maker puts on them, then what the design sets there.
  const depth = ({ part }: Joint) => (layer(part) ? 0 : isMakers(part) ? 1 : 2)
  for (const { joint, step, at, on } of lying) {
    if (layer(joint.onto.part)) before(putIn.get(joint.onto.part), step)
    let latest = Infinity
    for (const other of lying) {
      if (other.step === step || !isSame(on, other.on) || !overlaps(on, other.on)) continue
      const [own, others] = [depth(joint), depth(other.joint)]
      if (own > others || (own === others && (own === 2 || at > other.at))) continue
      before(step, other.step)
      latest = Math.min(latest, other.step.rank)
    }
    // A design may lay a print before the slits go through both: what it makes later it makes later, and what lies
    // under the print comes before that.
    const made = madeIn.get(joint.onto.part)
    if (made && made.rank < Math.min(step.rank, latest)) before(made, step)
    // The face that it lies on is glued down.
    for (const { joint: down, step: then } of lying) {
      const isDown = down.by.part === on.panel.part && down.by.key === on.panel.key && down.means !== 'held'
      if (isDown && (down.faceDown ? 'inside' : 'outside') === on.side) before(step, then)
    }
  }
  for (const step of steps) {
    for (const key of step.works ?? []) {
      before(step, madeIn.get(key))
      before(step, putIn.get(key))
    }
    for (const key of step.finishes ?? []) {
      before(madeIn.get(key), step)
      before(putIn.get(key), step)
    }
  }
  return needs
}

const isSame = (a: Lying, b: Lying): boolean =>
  a.panel.part === b.panel.part && a.panel.key === b.panel.key && a.side === b.side

const overlaps = (a: Lying, b: Lying): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height

/** Where the panel that lies in a joint comes to lie on the face below all layers. */
function lyingOf({ by, onto, face, x, y, turned }: Joint, layers: ReadonlyMap<string, Joint>): Lying {
  const isAcross = Math.abs(turned) % 180 === 90
  const wide = isAcross ? by.height.value : by.width.value
  const high = isAcross ? by.width.value : by.height.value
  // What lies aslant is as wide as it could be.
  const more = turned % 90 === 0 ? 0 : (Math.hypot(wide, high) - Math.min(wide, high)) / 2
  const at: Lying = {
    panel: onto, side: face, x: x.value - more, y: y.value - more, width: wide + 2 * more, height: high + 2 * more,
  }
  for (let below = layers.get(onto.part), deep = 0; below && deep < layers.size; deep++) {
    at.x = below.face === 'outside'
      ? below.x.value + below.by.width.value - at.x - at.width
      : below.x.value + at.x
    at.y += below.y.value
    at.panel = below.onto
    at.side = below.face
    below = layers.get(below.onto.part)
  }
  return at
}
