import type { Length, Units } from '../../lengths'
import { formatLength, nanometres } from '../../lengths'
import { byKey, grouped, inARow, uncapitalised } from '../../lists'
import type { Construction, Face, Joint, Means, Panel, Part } from './card'
import { isLayer, isMakers, underlayKey } from './card'
import type { SideWords } from './sides'

/** What one who puts something on does, and what it is held by. */
const PUT_ON: Record<Means, [verb: string, onto: string, by: string]> = {
  'tape': ['Tape', 'to', ''],
  'strong tape': ['Stick', 'to', ' with strong tape'],
  'glue': ['Glue', 'to', ' with wet glue'],
  'foam': ['Stick', 'to', ' on foam'],
  'dot': ['Stick', 'to', ' with dots'],
  'held': ['Lay', 'on', ' without glue'],
}

/** How something is put on: what is done, in which word it meets what it is put on, and what holds it there. */
export function putOnWords(
  { means, foam }: Pick<Joint, 'means' | 'foam'>, units: Units,
): [verb: string, onto: string, by: string] {
  const [verb, onto, by] = PUT_ON[means]
  return [verb, onto, foam === undefined ? by : `${by} ${formatLength(foam, units, { unit: true })} high`]
}

/** How something is turned, behind its place; nothing where it is not. */
export const turnedWords = (turn: number): string =>
  (turn === 0 ? '' : `, turned by ${Math.abs(turn)}° ${turn > 0 ? 'anticlockwise' : 'clockwise'}`)

/**
 * Borders that differ by less are even: what is lost to the mark of a trimmer is shared by both sides, half of a
 * sixteenth of an inch at most. Nanometres.
 */
const EVEN = 790_000

/**
 * What is said of layers that are laid: each by its name, on which side of what, held by what, and how far from the
 * edges. Those alike are said at once, what lies lowest before all else.
 * @param keys of the layers
 * @param sides what the sides of their face are called
 */
export function layerWords(
  card: Pick<Construction, 'parts' | 'joints'>, keys: readonly string[], units: Units, sides: () => SideWords,
): string {
  const said = keys.flatMap((key) => {
    const part = card.parts.find(part => part.key === key)
    const joint = card.joints.find(joint => joint.part === key)
    if (!part || !joint) return []
    return [{ name: partWords(part), deep: depthOf(card, joint), ...wordsOf(card, part, joint, units, sides) }]
  }).sort((a, b) => a.deep - b.deep)
  return [...grouped(said, ({ verb, after, border }) => `${verb}|${after}|${border}`).values()].map((alike) => {
    const [{ verb, after, border }] = alike as [(typeof alike)[number]]
    const each = alike.length > 1 ? 'each ' : ''
    const where = after.includes(UNDER) ? `${each}${after}, ${border}` : `${after}, ${each}${border}`
    return `${verb} ${listed(alike.map(({ name }) => name))} ${where}.`
  }).join(' ')
}

const UNDER = 'its lower layer'

/** On how many layers it lies. */
function depthOf({ parts, joints }: Pick<Construction, 'parts' | 'joints'>, { onto }: Joint): number {
  const below = isLayer(byKey(parts, onto.part).kind) ? joints.find(({ part }) => part === onto.part) : undefined
  return below ? 1 + depthOf({ parts, joints }, below) : 0
}

function wordsOf(
  card: Pick<Construction, 'parts'>, part: Part, joint: Joint, units: Units, sides: () => SideWords,
): { verb: string, after: string, border: string } {
  const [verb, onto, by] = putOnWords(joint, units)
  const after = `${onto} ${placeOf(card, part, joint)}${by}`
  return { verb, after, border: borderOf(part, joint, units, sides) }
}

/** `the left door`, but `panel A`. */
const withThe = (name: string) => (/ [A-Z0-9]+$/.test(name) ? '' : 'the ') + uncapitalised(name)
/** A piece as a step calls it; names that a maker gave are said as they stand on the list of the bag. */
export const partWords = ({ key, name }: Pick<Part, 'key' | 'name'>): string =>
  (isMakers(key) ? `“${name}”` : `the ${uncapitalised(name)}`)
/** Names of pieces may hold commas themselves. */
const listed = (names: string[]) =>
  (names.some(name => name.includes(',')) ? names.join('; ') : inARow(names))

/** One side of one panel as a step calls it: `the inside of the left door`. */
export function faceWords(part: Part, onto: Panel, side: Face): string {
  const isFlat = part.panels.length === 1 && part.kind !== 'base'
  if (isFlat) return `the ${side === 'inside' ? 'front' : 'back'} of ${partWords(part)}`
  return `the ${side} of ${withThe(onto.name)}`
}

/** `the inside of the left door`; only the side where its name says of what. */
function placeOf({ parts }: Pick<Construction, 'parts'>, part: Part, { onto, face }: Joint): string {
  const below = byKey(parts, onto.part)
  const isFlat = below.panels.length === 1 && below.kind !== 'base'
  const what = isFlat ? below.name : onto.name
  if (isLayer(below.kind)) return below.key === underlayKey(part.key) ? UNDER : partWords(below)
  const side = isFlat ? (face === 'inside' ? 'the front' : 'the back') : `the ${face}`
  const [own, place] = [part.name.toLowerCase(), what.toLowerCase()]
  const named = /\bon (?:the )?(.+)$/.exec(own)?.[1]
  return own.includes(place) || (named && place.includes(named))
    ? side
    : `${side} of ${isFlat ? partWords(below) : withThe(what)}`
}

/** How far a layer stays from the edges of what it lies on, seen from the side that it lies on. */
function borderOf({ outline }: Part, joint: Joint, units: Units, sides: () => SideWords): string {
  const { by, onto, face, turned } = joint
  const show = (length: number) => formatLength(nanometres(Math.round(length)), units, { unit: true })
  const exactly = (length: number) => (show(length).startsWith('≈') ? undefined : show(length))
  if (outline && onto.outline) return 'with an even border'
  const isAcross = Math.abs(turned) % 180 === 90
  const [width, height]: Length[] = isAcross ? [by.height.value, by.width.value] : [by.width.value, by.height.value]
  const [first, last] = [joint.x.value, onto.width.value - joint.x.value - (width ?? 0)]
  const [left, right] = face === 'outside' ? [last, first] : [first, last]
  const [foot, head] = [joint.y.value, onto.height.value - joint.y.value - (height ?? 0)]
  const isMiddle = Math.abs(left - right) <= 1 && Math.abs(foot - head) <= 1
  if (isMiddle && left === 0 && foot === 0) return 'edge to edge'
  if (isMiddle && left >= 0 && foot >= 0) {
    const border = exactly(Math.min(left, foot))
    if (Math.abs(left - foot) <= EVEN) return `with an even border${border ? ` of ${border}` : ''}`
    return 'centred'
  }
  const away = (length: number, side: string) => {
    if (length === 0) return `flush with the ${side}`
    return length < 0 ? `${show(-length)} beyond the ${side}` : `${show(length)} from the ${side}`
  }
  const names = sides()
  return `${away(left, names.left)} and ${away(foot, names.bottom)}`
}
