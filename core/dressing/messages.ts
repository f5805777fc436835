import type { FaceEntry } from '../document'
import type { Construction, Face, MessageArea, Panel } from '../folds'
import { face as onlyPanel, isWhole } from '../folds'
import type { Length } from '../lengths'
import { Measure, downToMark, nanometres } from '../lengths'
import { largestWithin } from './clear'
import { faceAt, facesOf } from './faces'
import { seenFaces } from './seen'

/** Nanometres in a micrometre, which is how finely it is told what is seen. */
const MICRO = 1000
/** What is seen may be told too small by so much, in nanometres. */
const SAME = 3000

/** So much of all that is seen, as share, is enough. */
const MUCH = 0.75

type Areas = Pick<Construction, 'message' | 'alsoMessages'>

/**
 * The areas that are kept free to be written on, as far as nothing lies on them or hides them on display, the largest
 * first: the design's own, message layers and faces that are kept for one.
 * @param card with all that is put on it
 * @param natural without it
 * @param mark smallest mark of the trimmer: what is written on a layer is measured by it
 */
export function messageAreas(card: Construction, natural: Construction, faces: FaceEntry[], mark: Length): Areas {
  if (card.parts.some(part => !isWhole(part))) return { message: card.message, alsoMessages: card.alsoMessages }
  const pieces = card.parts.filter(({ kind }) => kind === 'message')
  const written = facesOf(card).filter(({ key }) => faces.some(face => face.key === key && face.message))
  const own
    = natural.message && (!natural.message.on || isThere(card, natural.message.on.panel)) ? natural.message : undefined
  const places: Place[] = [
    ...pieces.filter(part => onlyPanel(part) !== own?.on?.panel).map((part): Place => {
      const joint = card.joints.find(({ part: key }) => key === part.key)
      const where = (joint && faceAt(card, joint))?.name.toLowerCase() ?? part.name.toLowerCase()
      return { where, panel: onlyPanel(part), side: 'inside' }
    }),
    ...written.map(({ name, panel, side }): Place => ({ where: name.toLowerCase(), panel, side })),
  ]
  // A face that a design leaves bare to be written on is one until the maker chooses another.
  // One that lies across a crease stays as it was stated.
  if (own && !own.on && places.length === 0) return { message: own }
  if (own?.on && (places.length === 0 || pieces.some(part => onlyPanel(part) === own.on?.panel))) {
    places.push({ where: own.where, ...own.on, stated: own })
  }
  const areas = places
    .map(place => areaOf(card, place, mark))
    .filter(({ width, height }) => width.value > 0 && height.value > 0)
  const size = ({ width, height }: MessageArea) => width.value * height.value
  const [largest, ...others] = areas.sort((a, b) => size(b) - size(a))
  return { message: largest, alsoMessages: others }
}

interface Place {
  where: string
  panel: Panel
  side: Face
  /** What a design says of it. */
  stated?: MessageArea
}

/** Whether a panel is still on a card; panels keep their keys, whatever is put on them. */
const isThere = ({ parts }: Construction, { part, key }: Panel): boolean =>
  parts.some(other => other.key === part && other.panels.some(panel => panel.key === key))

function areaOf(card: Construction, { where, panel, side, stated }: Place, mark: Length): MessageArea {
  const seen = seenFaces(card).find(
    face => face.side === side && face.panel.part === panel.part && face.panel.key === panel.key,
  )
  const room = seen ? largestWithin(seen.open) : { width: 0, height: 0 }
  const on = { panel, side }
  // What a design states keeps its borders; it is right as long as all of it is seen, and not much more.
  const isFree = stated !== undefined
    && stated.width.value <= room.width * MICRO + SAME && stated.height.value <= room.height * MICRO + SAME
    && stated.width.value * stated.height.value >= MUCH * room.width * room.height * MICRO ** 2
  const measured = (name: string, size: number, known?: Measure) => {
    const length = nanometres(Math.round(size * MICRO))
    return known && isFree ? known : Measure.of(name, downToMark(nanometres(length + SAME), mark))
  }
  return {
    where,
    on,
    width: measured('clear width', room.width, stated?.width),
    height: measured('clear height', room.height, stated?.height),
  }
}
