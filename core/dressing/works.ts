import type { WorkEntry } from '../document'
import type { Construction, Face, Finding, Panel, Part, SideWords, PartWork, Step } from '../folds'
import { faceWords, partWords, turnedWords } from '../folds'
import type { Length, Units } from '../lengths'
import { downToMark, formatLength, formatSize, lengthFrom, nanometres } from '../lengths'
import { placeOfTechnique, techniqueOf } from '../making'
import { FIRST, LAST, ownStep } from './parts'

/** What works are done on: a piece, or one side of one panel of it. */
export interface WorkedOn {
  part: Part
  /** Missing for all of a part of the fold, its inside up. */
  panel?: Panel
  side: Face
  /** Where its works stand in the dressing of the card. */
  path: string
}

/** A step comes after another of the same piece by so much in rank for each place of its technique in the table. */
const NEXT = 0.01

/** What a finding about a work speaks of: what it shows, or what is done. */
export const workSubject = ({ shows, technique }: PartWork): string =>
  (shows === '' ? techniqueOf(technique).name : `“${shows}”`)

/** A work of natural size: all over, in the middle, once. */
export const newWork = (key: string): WorkEntry => ({
  key, technique: 'stamp', shows: '', sort: 'motif', using: '', width: '0 in', height: '0 in', centred: true,
  left: '0 in', bottom: '0 in', turn: 0, times: 1, by: 'either',
})

/**
 * Puts works on a part of a card: what is drawn of them, a step for each, and what is wrong with their size and place.
 * Changes the card and the part that it is given.
 */
export function addWorks(
  card: Construction, on: WorkedOn, entries: WorkEntry[], units: Units, mark: Length, sides: () => SideWords,
): void {
  const room = on.panel ?? { x: { value: 0 }, y: { value: 0 }, width: on.part.width, height: on.part.height }
  const sorted = [...entries].sort((a, b) => placeOfTechnique(a.technique) - placeOfTechnique(b.technique))
  let before: string[] = []
  for (const entry of sorted) {
    const size = { width: lengthFrom(entry.width), height: lengthFrom(entry.height) }
    const isSized = size.width > 0 && size.height > 0
    const [left, bottom] = entry.centred
      ? [(room.width.value - size.width) / 2, (room.height.value - size.height) / 2]
      : [lengthFrom(entry.left), lengthFrom(entry.bottom)]
    // Seen from outside, its left is the right of the drawing.
    const across = on.side === 'outside' ? room.width.value - left - size.width : left
    const work: PartWork = {
      key: entry.key, technique: entry.technique, shows: entry.shows, isWording: entry.sort === 'wording',
      using: entry.using, times: entry.times, by: entry.by, side: on.side, path: `${on.path}/${entry.key}`,
      panel: on.panel?.key, turn: entry.turn,
      ...(isSized && {
        box: {
          x: nanometres(Math.round(room.x.value + across)),
          y: nanometres(Math.round(room.y.value + bottom)), ...size,
        },
      }),
    }
    on.part.works = [...on.part.works ?? [], work]
    const step = stepOf(on, work, { left, bottom, centred: entry.centred }, units, sides)
    card.steps.push({ ...step, needs: before })
    before = [step.key]
    if (isSized) card.findings.push(...placeFindings(on, room, work, { left, bottom }, units, mark))
  }
}

function stepOf(
  { part, panel, side }: WorkedOn, work: PartWork,
  place: { left: number, bottom: number, centred: boolean }, units: Units, sides: () => SideWords,
): Step {
  const { technique: key, shows, using, times, box, turn } = work
  const technique = techniqueOf(key)
  const show = (length: number) => formatLength(nanometres(Math.round(length)), units, { unit: true })
  // The front of a flat piece is the piece itself.
  const isPiece = !panel || (part.panels.length === 1 && side === 'inside')
  const piece = isPiece ? partWords(part) : faceWords(part, panel, side)
  const what = shows === '' ? technique.piece(piece) : technique.shown(`“${shows}”`, piece)
  const away = () => `${show(place.left)} from the ${sides().left} and ${show(place.bottom)} from the ${sides().bottom}`
  const words = [
    `${what}${using === '' ? '' : ` with ${using}`}`,
    ...(times > 1 ? [`${times} times`] : []),
    ...(box ? [formatSize(box.width, box.height, units), place.centred ? 'in the middle' : away()] : []),
  ]
  const dry = `Let it dry for ${technique.waiting} minutes before it is folded or glued.`
  const dries = technique.waiting >= DRIES ? dry : undefined
  const isFlat = technique.when === 'flat'
  return {
    ...ownStep(work.path.replaceAll('/', '--'), (isFlat ? FIRST : LAST * 2) + placeOfTechnique(key) * NEXT),
    text: `${words.join(', ')}${box ? turnedWords(turn) : ''}.`,
    warning: [technique.caution, dries].filter(Boolean).join(' ') || undefined,
    work,
    ...(isFlat ? { works: [part.key] } : { finishes: [part.key] }),
  }
}
/** Minutes of waiting from which on a step says so. */
const DRIES = 5

interface Room { width: { value: number }, height: { value: number } }

/** What is larger than its area, lies over its edge, or across a crease. */
function placeFindings(
  { part, panel }: WorkedOn, room: Room, work: PartWork,
  at: { left: number, bottom: number }, units: Units, mark: Length,
): Finding[] {
  const { box, path } = work
  if (!box) return []
  const show = (length: number) => formatLength(nanometres(Math.round(length)), units, { unit: true })
  const about = { severity: 'warn' as const, subject: workSubject(work), part: part.key }
  const [wide, high] = [room.width.value, room.height.value]
  const fits = Math.min(1, wide / box.width, high / box.height)
  if (fits < 1) {
    const value = (length: Length) => downToMark(nanometres(Math.floor(length * fits)), mark)
    const [width, height] = [value(box.width), value(box.height)]
    return [{
      ...about, parameter: `${path}/width`,
      problem: `is ${formatSize(box.width, box.height, units)}, but ${panel?.name ?? part.name} is ${show(wide)} wide and `
        + `${show(high)} high: it would run over the edge.`,
      fix: width > 0 && height > 0
        ? { parameter: `${path}/width`, value: width, also: [{ parameter: `${path}/height`, value: height }] }
        : undefined,
    }]
  }
  for (const [name, from, size, most] of [
    ['left', at.left, box.width, wide], ['bottom', at.bottom, box.height, high],
  ] as const) {
    if (from >= 0 && from + size <= most) continue
    const value = nanometres(Math.max(0, Math.floor(most - size)))
    return [{
      ...about, parameter: `${path}/${name}`,
      problem: 'lies over the edge of what it is put on.',
      fix: { parameter: `${path}/${name}`, value: from < 0 ? nanometres(0) : value },
    }]
  }
  const crossed = part.creases.some(({ from, to }) => {
    const isWithin = (a: number, b: number, low: number, size: number) =>
      Math.min(a, b) < low + size && Math.max(a, b) > low
    return isWithin(from.x.value, to.x.value, box.x, box.width) && isWithin(from.y.value, to.y.value, box.y, box.height)
  })
  const problem = 'lies across a crease: folded, it breaks there. Put it on one panel.'
  return crossed ? [{ ...about, parameter: `${path}/left`, problem }] : []
}
