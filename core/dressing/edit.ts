import type { CardEntry, FaceEntry, FreeEntry, LayerEntry, PartEntry } from '../document'
import { ALL_GLUED, freeKey } from '../document'
import type { Construction, Joint, Panel } from '../folds'
import type { Length, Units } from '../lengths'
import { isOnMark, lengthFrom, nanometres, nearestMark, writeLength } from '../lengths'
import { byKey } from '../lists'
import { facesOf, layersOn } from './faces'
import { freePartKey } from './free'
import { layerKey } from './layers'
import { holdOf } from './parts'

/*
 * What a maker does to the dressing of a card. Each function changes the draft of a card
 * that it is given, papers included, so that what is dressed anew is cut from what it was.
 */

/** Stands where a layer has no size of its own, a ring no width, a corner no radius. */
export const NOTHING = '0 in'
const BORDER: Record<Units, string> = { inch: '1/8 in', metric: '3 mm' }

/** A layer with an even border, as another one is put on a face. */
export const newLayer = (key: string, units: Units): LayerEntry => ({
  key,
  name: '',
  left: BORDER[units],
  right: BORDER[units],
  top: BORDER[units],
  bottom: BORDER[units],
  width: NOTHING,
  height: NOTHING,
  centred: true,
  shape: 'like its face',
  corner: NOTHING,
  hold: 'tape',
  message: false,
  printTop: 'top',
  pair: '',
  ring: '',
  windows: true,
  glue: ALL_GLUED, works: [], foam: NOTHING,
})

/**
 * The dressing of a face as it is: what the maker wants there, else what the catalogue has, put so that the same pieces
 * come of it.
 */
export function dressingOf(
  card: Pick<CardEntry, 'faces' | 'parts'>,
  construction: Construction,
  key: string,
  units: Units,
  mark: Length,
): FaceEntry | undefined {
  const own = card.faces.find(face => face.key === key)
  if (own) return own
  const face = facesOf(construction).find(face => face.key === key)
  if (!face) return undefined
  const layers = stackOf(construction, face.panel, face.side).map((joint, index) =>
    asEntry(card, construction, joint, index, units, mark),
  )
  return { key, works: [], message: false, layers }
}

/** The layers of a face one on the other; of several side by side the first stands for them. */
function stackOf(construction: Construction, panel: Panel, side: Joint['face']): Joint[] {
  const [first, ...rest] = layersOn(construction, panel, side)
  if (!first) return []
  const stack = [first]
  for (const joint of rest) if (joint.onto === stack.at(-1)?.by) stack.push(joint)
  return stack.slice(0, 3)
}

function asEntry(
  card: Pick<CardEntry, 'parts'>, construction: Construction, joint: Joint, index: number, units: Units, mark: Length,
): LayerEntry {
  const { part: key, by, onto, face, x, y, means, glue } = joint
  const part = byKey(construction.parts, key)
  const write = (length: number) => writeLength(nanometres(Math.max(0, length)), units)
  // What a design made to measure, off the trimmer's marks, keeps its size.
  const own = (size: Length) => (isOnMark(size, mark) ? NOTHING : write(size))
  const [fromLeft, fromRight] = [x.value, onto.width.value - x.value - by.width.value]
  const [left, right] = face === 'inside' ? [fromLeft, fromRight] : [fromRight, fromLeft]
  return {
    ...newLayer(`layer-${index + 1}`, units),
    name: part.name,
    left: write(left),
    right: write(right),
    bottom: write(y.value),
    top: write(onto.height.value - y.value - by.height.value),
    width: own(by.width.value),
    height: own(by.height.value),
    shape: onto.outline && !part.outline ? 'rectangle' : 'like its face',
    hold: holdOf(means),
    message: part.kind === 'message',
    printTop: part.printTop,
    pair: part.pair ?? '',
    windows: part.windows.length > 0,
    glue: {
      left: write(glue.x.value),
      bottom: write(glue.y.value),
      right: write(by.width.value - glue.x.value - glue.width.value),
      top: write(by.height.value - glue.y.value - glue.height.value),
    },
    works: card.parts.find(other => other.key === key)?.works ?? [],
  }
}

/**
 * Dresses a face otherwise; layers that were there under another key hand on their papers, and what was done to them is
 * done to those that stand for them.
 */
export function dressFaceAs(card: CardEntry, construction: Construction, next: FaceEntry): void {
  const before = layersAt(construction, next.key)
  const was = card.faces.some(({ key }) => key === next.key)
  card.faces = [...card.faces.filter(({ key }) => key !== next.key), next]
  if (was) return
  next.layers.forEach(({ key }, index) => {
    const paper = card.papers[before[index] ?? '']
    if (paper !== undefined) card.papers[layerKey(next.key, key)] ??= paper
  })
  card.parts = card.parts.filter(({ key }) => !before.includes(key))
}

/** Something else is done to a layer, which stays what it is: the maker's own, or the catalogue's. */
export function setLayerWorks(
  card: CardEntry, construction: Construction, face: string, at: number, works: LayerEntry['works'],
): void {
  const own = card.faces.find(({ key }) => key === face)?.layers[at]
  const natural = layersAt(construction, face)[at]
  if (own) own.works = works
  else if (natural !== undefined) setOwnPart(card, natural, { works })
}

const layersAt = (construction: Construction, key: string): string[] => {
  const face = facesOf(construction).find(face => face.key === key)
  return face ? stackOf(construction, face.panel, face.side).map(({ part }) => part) : []
}

/** The natural dressing of a face again. */
export function dressAsInCatalogue(card: CardEntry, key: string): void {
  card.faces = card.faces.filter(face => face.key !== key)
  dropPapers(card, part => part.startsWith(`${key}--`))
}

/**
 * Dresses faces just like another one, of this card or of another, papers included.
 * @param papers of its layers, by their keys; of a face that is dressed as in the catalogue they lie under other names
 */
export function copyDressing(
  card: CardEntry, from: FaceEntry, to: string[], papers: Record<string, string> = {},
): void {
  for (const key of to) {
    const layers = from.layers.map(layer => ({ ...layer, name: '' }))
    card.faces = [...card.faces.filter(face => face.key !== key), { ...from, key, layers }]
    for (const layer of from.layers) {
      const paper = papers[layer.key] || card.papers[layerKey(from.key, layer.key)]
      if (paper) card.papers[layerKey(key, layer.key)] = paper
    }
  }
}

/**
 * Another free piece, in the bag unless it is laid on a face.
 * @param on the panel of that face, in whose middle it lies
 */
export function addFreePiece(card: CardEntry, units: Units, own: Partial<FreeEntry> = {}, on?: Panel): FreeEntry {
  const key = freeKey(own.key ?? 'piece', card.free.map(({ key }) => key))
  const size = units === 'inch' ? '2 in' : '50 mm'
  const middle = (room: Length, length: string) =>
    writeLength(
      nearestMark(nanometres((room - lengthFrom(length)) / 2), lengthFrom(units === 'inch' ? '1/16 in' : '1 mm')),
      units,
    )
  const left = on ? middle(on.width.value, own.width ?? size) : NOTHING
  const bottom = on ? middle(on.height.value, own.height ?? size) : NOTHING
  const entry: FreeEntry = {
    name: `Topper ${card.free.length + 1}`,
    kind: 'topper',
    shape: 'rectangle',
    outline: '',
    width: size,
    height: size,
    corner: NOTHING,
    ring: NOTHING, count: 1, face: '', left, bottom, turn: 0, hold: 'foam', printTop: 'any', glue: ALL_GLUED, works: [],
    foam: NOTHING, from: '', ...own, key,
  }
  card.free = [...card.free, entry]
  return entry
}

/** A part of the fold is held or made otherwise; its entry goes where nothing of that is left. */
export function setOwnPart(card: Pick<CardEntry, 'parts'>, key: string, change: Partial<Omit<PartEntry, 'key'>>): void {
  const natural: PartEntry = { key, hold: null, foam: NOTHING, works: [] }
  const next = { ...natural, ...card.parts.find(part => part.key === key), ...change }
  const others = card.parts.filter(part => part.key !== key)
  card.parts = next.hold === null && next.works.length === 0 ? others : [...others, next]
}

/**
 * Moves a free piece by so much along its face, to the right and up as that is drawn.
 * @param part the part that it has become
 */
export function moveFreePiece(card: CardEntry, part: string, right: number, up: number, units: Units): void {
  const entry = card.free.find(({ key }) => freePartKey(key) === part)
  if (!entry) return
  entry.left = writeLength(nanometres(lengthFrom(entry.left) + right), units)
  entry.bottom = writeLength(nanometres(lengthFrom(entry.bottom) + up), units)
}

/** Makes what has a size of its own larger or smaller with the card, to the nearest mark; borders stay. */
export function resizeDressing(
  card: Pick<CardEntry, 'faces' | 'free'>, factor: number, units: Units, mark: Length,
): void {
  const resized = (text: string, least = -Infinity) => {
    const length = nearestMark(nanometres(Math.round(lengthFrom(text) * factor)), mark)
    return lengthFrom(text) === 0 ? text : writeLength(nanometres(Math.max(least, length)), units)
  }
  for (const piece of card.free) {
    for (const side of ['width', 'height'] as const) piece[side] = resized(piece[side], mark)
    for (const place of ['left', 'bottom', 'corner', 'ring'] as const) piece[place] = resized(piece[place])
  }
  for (const layer of card.faces.flatMap(({ layers }) => layers)) {
    if (lengthFrom(layer.width) === 0 && lengthFrom(layer.height) === 0) continue
    for (const side of ['width', 'height'] as const) layer[side] = resized(layer[side], mark)
    if (!layer.centred) for (const place of ['left', 'bottom'] as const) layer[place] = resized(layer[place])
  }
}

export function removeFreePiece(card: CardEntry, key: string): void {
  card.free = card.free.filter(piece => piece.key !== key)
  const own = freePartKey(key)
  card.faces = card.faces.filter(face => !face.key.startsWith(`${own}--`))
  dropPapers(card, part => part === own || part.startsWith(`${own}--`))
}

function dropPapers(card: CardEntry, isGone: (part: string) => boolean): void {
  card.papers = Object.fromEntries(Object.entries(card.papers).filter(([part]) => !isGone(part)))
}

/**
 * Puts a value where a finding wants it: `free/topper/left`, `faces/base--a--inside/layers/layer-1/width`,
 * or `…/border` for all four sides of a layer; a work of any of them is `…/works/stamp/width`.
 * @returns whether there is such a place; a parameter of the fold is none
 */
export function putRight(card: Pick<CardEntry, 'faces' | 'free' | 'parts'>, path: string, value: string): boolean {
  const names = path.split('/')
  const [list, key] = names
  const at = names.indexOf('works')
  const [inner, field] = names.slice(-2)
  const face = list === 'faces' ? card.faces.find(face => face.key === key) : undefined
  const layer = names[2] === 'layers' ? face?.layers.find(one => one.key === names[3]) : undefined
  const piece = list === 'free'
    ? card.free.find(piece => piece.key === key)
    : list === 'parts' ? card.parts.find(part => part.key === key) : undefined
  const entry = at < 0
    ? layer ?? piece
    : (layer ?? face ?? piece)?.works.find(work => work.key === inner)
  // An even border is asked for at once; it takes the place of a size of its own.
  if (layer && entry === layer && field === 'border') {
    Object.assign(layer, { left: value, right: value, top: value, bottom: value, width: NOTHING, height: NOTHING })
    return true
  }
  if (!entry || !field || !(field in entry)) return false
  Object.assign(entry, { [field]: value })
  return true
}
