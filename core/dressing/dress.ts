import type { DressingEntry, FaceEntry } from '../document'
import type { Construction, Finding, Fold, Joint, SideWords, WorkedOut } from '../folds'
import { AS_DRAWN, faceWords, putOnWords, turnedWords } from '../folds'
import type { Length, Units, Measure } from '../lengths'
import { formatLength, lengthFrom } from '../lengths'
import { byKey, uncapitalised } from '../lists'
import { freeFindings } from './checks'
import { ENVELOPE_STEPS } from './envelope'
import type { CardFace } from './faces'
import { facesOf, layersOn } from './faces'
import type { PlacedPiece } from './free'
import { addFree, freePartKey } from './free'
import { addLayers } from './layers'
import { dressParts } from './own-parts'
import { addOwnSteps } from './own-steps'
import { sideWords } from './held'
import { LAST, foamOf, glueWords, meansOf, ownStep } from './parts'
import { messageAreas } from './messages'
import type { Repairable } from './repair'
import { soundFindings } from './repair'
import { addWorks } from './works'

/**
 * A card of a class worked out with everything that is put on it. Its parameters must have passed `inputProblems`.
 * @param mark smallest mark of the trimmer, `board` that of the scoring board
 */
export function wholeCard(fold: Fold, card: Repairable, units: Units, mark: Length, board = mark): WorkedOut {
  const made = dressedCard(fold, card, units, mark, board)
  return { ...made, findings: fixedFindings(fold, card, made, units, mark, board) }
}

/**
 * The findings of a card that was worked out, with what would put them right: each way is tried on the card before it
 * is offered.
 */
export const fixedFindings = (
  fold: Fold, card: Repairable, made: WorkedOut, units: Units, mark: Length, board = mark,
): Finding[] => soundFindings(fold, card, made, changed => dressedCard(fold, changed, units, mark, board), units, mark)

/**
 * The same without a look at what would put its findings right, which takes many times as long; their fixes are not
 * tried.
 */
export const dressedCard = (
  fold: Fold, { parameters, ...dressing }: Repairable, units: Units, mark: Length, board = mark,
): WorkedOut => fold.construct(parameters, units, mark, natural => dress(natural, dressing, units, mark), board)

/**
 * Puts the maker's dressing on a construction: faces that are named lose their natural layers and get those that are
 * wanted, then come the free pieces. A face that the card does not have at the moment keeps its dressing for when it
 * comes back.
 */
export function dress(
  natural: Construction, { faces, free, parts, steps }: DressingEntry, units: Units, mark: Length,
): Construction {
  if (faces.length + free.length + parts.length + steps.length === 0)
    return { ...natural, ...messageAreas(natural, natural, [], mark) }
  const card: Construction = {
    ...natural,
    parts: [...natural.parts],
    joints: [...natural.joints],
    steps: [...natural.steps],
    extras: [...natural.extras],
    findings: [...natural.findings],
    stamping: [...natural.stamping],
    alsoStuck: [...natural.alsoStuck],
  }
  dressParts(card, parts, units, mark)
  const placed: PlacedPiece[] = []
  // Free pieces can be dressed as well, so they come first; what lies on a dressed face is put on its layers
  // afterwards.
  for (const entry of free) placed.push(addFree(card, entry, units, mark))
  // Layers are no faces themselves, so that these are the faces to the end.
  const byFace = new Map(facesOf(card).map(face => [face.key, face]))
  for (const entry of faces) {
    const face = byFace.get(entry.key)
    if (face) dressFace(card, face, entry, { units, mark, sides: () => sideWords(natural, face) })
  }
  settle(card, placed)
  cutOut(card, placed)
  card.steps.push(...placed.flatMap((piece, at) => stepFor(piece, card, units, LAST + at)))
  addOwnSteps(card, steps)
  const messages = messageAreas(card, natural, faces, mark)
  return {
    ...card, ...messages, findings: [...card.findings, ...freeFindings(natural, card, placed, units, mark)],
  }
}

/** Takes the natural layers off a face and puts the maker's on it. */
function dressFace(
  card: Construction,
  face: CardFace,
  entry: FaceEntry,
  { units, mark, sides }: { units: Units, mark: Length, sides: () => SideWords },
): void {
  const layers = layersOn(card, face.panel, face.side)
  const rank = rankOn(card, face, layers)
  for (const layer of [...layers].reverse()) takeOff(card, layer)
  const lying = card.joints.filter(
    joint => joint.onto === face.panel && joint.face === face.side && isFlatPiece(card, joint),
  )
  const there = new Set(card.parts)
  const names = addLayers(card, face, entry, units, mark, sides)
  const puts = card.parts.filter(part => !there.has(part)).map(({ key }) => key)
  // What lies on the face, a stopper for one, lies on the maker's layers.
  for (const { part } of lying) lift(card, part, face)
  if (entry.works.length > 0) {
    const { panel, side, key } = face
    card.stamping.push({ where: face.name, width: panel.width, height: panel.height })
    const part = ownCopy(card, face.part)
    addWorks(card, { part, panel, side, path: `faces/${key}/works` }, entry.works, units, mark, sides)
  }
  const kept = entry.layers.flatMap(({ glue, hold }, at) => {
    const free
      = hold === 'loose' ? undefined : glueWords(glue, length => formatLength(length, units, { unit: true }), sides)
    return free ? [`${names[at] ?? 'Layer'}: ${uncapitalised(free)}`] : []
  })
  const warning = kept.length > 0 ? kept.join(' ') : undefined
  card.steps.push({ ...ownStep(`lay--${face.key}`, rank), warning, puts, lays: sides })
}

/**
 * Where the layers of a face come by nature: where the design lays its own, or else once their piece is scored and cut,
 * or before it is put on.
 */
function rankOn({ steps }: Construction, { part }: CardFace, layers: Joint[]): number {
  const natural = steps.find(({ puts }) => layers.some(layer => puts.includes(layer.part)))
  if (natural) return natural.rank
  const made = steps.findLast(({ makes }) => makes.includes(part.key))
  if (made) return made.rank + HALF
  const put = steps.find(({ puts }) => puts.includes(part.key))
  return (put?.rank ?? 0) - HALF
}
/** Between two steps of a design. */
const HALF = 0.5

/** A part of the design that the maker may write on: the design itself stays as it is. */
function ownCopy(card: Construction, { key }: CardFace['part']): CardFace['part'] {
  const at = card.parts.findIndex(part => part.key === key)
  const copy = { ...byKey(card.parts, key) }
  card.parts[at] = copy
  return copy
}

/** A piece of one panel that is put on in one place and stays there. */
const isFlatPiece = ({ parts, joints }: Construction, { part, slide, turned, faceDown }: Joint): boolean =>
  byKey(parts, part).panels.length === 1
  && joints.filter(joint => joint.part === part).length === 1
  && !slide
  && turned === 0
  && !faceDown

/** Takes a layer off; what lay on it lies on what was below it. */
function takeOff(card: Construction, layer: Joint): void {
  const panel = layer.by
  card.parts = card.parts.filter(({ key }) => key !== layer.part)
  card.joints = card.joints.filter(joint => joint !== layer).map((joint) => {
    if (joint.onto.part !== panel.part) return joint
    const x
      = layer.face === 'inside' ? layer.x.plus(joint.x) : layer.x.plus(panel.width).minus(joint.x).minus(joint.by.width)
    return { ...joint, onto: layer.onto, face: layer.face, x, y: layer.y.plus(joint.y) }
  })
  card.stoppers = card.stoppers.map(({ part, against }) => ({
    part, against: against.filter(key => key !== layer.part),
  }))
}

/**
 * Free pieces that are cut out of another one say so, once all pieces are there. One that is cut out itself is not cut
 * from again.
 */
function cutOut(card: Construction, placed: PlacedPiece[]): void {
  const own = new Set(placed.flatMap(({ entry, part }) => (entry.from !== '' && part ? [part.key] : [])))
  for (const { entry, part } of placed) {
    const isThere = part && !own.has(entry.from) && card.parts.some(({ key }) => key === entry.from)
    if (isThere) part.outOf = entry.from
  }
}

/** Lifts free pieces onto the layers that their face got after them. */
function settle(card: Construction, placed: PlacedPiece[]): void {
  for (const { part, face } of placed) if (part && face) lift(card, part.key, face)
}

/** Lifts a part of a card onto the layers of the face that it lies on. */
function lift(card: Construction, part: string, face: CardFace): void {
  const at = card.joints.findIndex(joint => joint.part === part)
  let joint = card.joints[at]
  if (!joint) return
  for (const layer of layersOn(card, face.panel, face.side)) {
    if (
      layer.onto !== joint.onto
      || layer.face !== joint.face
      || layer.turned !== 0
      || layer.faceDown
      || layer.part === part
    )
      continue
    const within = joint.x.minus(layer.x)
    const x: Measure = layer.face === 'outside' ? layer.by.width.minus(within).minus(joint.by.width) : within
    const y: Measure = joint.y.minus(layer.y)
    const middle = [x.value + joint.by.width.value / 2, y.value + joint.by.height.value / 2] as const
    if (middle[0] < 0 || middle[1] < 0 || middle[0] > layer.by.width.value || middle[1] > layer.by.height.value)
      continue
    joint = { ...joint, onto: layer.by, face: 'inside', x, y }
  }
  // It lies on top, so it is put on last.
  card.joints.splice(at, 1)
  card.joints.push(joint)
}

/** The step that puts a free piece on, with what to watch. */
function stepFor(
  { entry, part, face }: PlacedPiece, card: Construction, units: Units, rank: number,
): Construction['steps'] {
  const own = { ...ownStep(`put--${freePartKey(entry.key)}`, rank), puts: part ? [part.key] : [] }
  const show = (text: string) => formatLength(lengthFrom(text), units, { unit: true })
  const sides = face ? sideWords(card, face) : AS_DRAWN
  // What is turned is glued as it lies by itself.
  const free = glueWords(
    entry.glue, length => formatLength(length, units, { unit: true }), () => (entry.turn === 0 ? sides : AS_DRAWN),
  )
  if (!face && (entry.kind === 'liner' || entry.kind === 'flap strip'))
    return [{ ...own, text: `${entry.name}: ${ENVELOPE_STEPS[entry.kind]}` }]
  // What lies in the bag beside the card is on its list, and whoever holds the bag has it.
  if (!face) return []
  const joint = card.joints.find(({ part: key }) => key === part?.key)
  const partly = joint && joint.turned === 0
    && !free && (joint.glue.width.value < joint.by.width.value || joint.glue.height.value < joint.by.height.value)
  const beyond = partly ? `No glue on what reaches beyond ${face.panel.name.toLowerCase()}.` : undefined
  const [verb, onto, by] = putOnWords({ means: meansOf(entry.hold), foam: foamOf(entry) }, units)
  return [{
    ...own,
    text:
        `${verb} “${entry.name}” ${onto} ${faceWords(face.part, face.panel, face.side)}${by}, `
        + `${show(entry.left)} from the ${sides.left} and ${show(entry.bottom)} from the ${sides.bottom}${turnedWords(entry.turn)}.`,
    warning: entry.hold === 'loose' ? undefined : free ?? beyond,
  }]
}
