import { count, grouped, tally } from '../lists'
import type { PrepPaceEntry } from '../document'
import { isEnvelopeStamped } from '../dressing'
import type { Bag } from './packing'
import { packedBags, piecesInBag } from './packing'
import { countInKit, isCutReady, scoresLeft } from '../batch'
import type { Preparation } from '../batch'

/** Something to be done beside cutting before the class, and how long it takes. */
export interface Task {
  /** What is done, as an order: `Score`. */
  name: string
  /** What with: `14 Base (Harbour lantern)`. */
  what: string
  /** So many times what takes so long each. */
  times: number
  minutes: number
}

/** What one piece takes of each kind of work, and what that is called. */
const WORKS: { pace: keyof PrepPaceEntry, name: string }[] = [
  { pace: 'score', name: 'Score' },
  { pace: 'dieCut', name: 'Die cut' },
  { pace: 'stamp', name: 'Stamp' },
  { pace: 'assemble', name: 'Put on' },
  { pace: 'stick', name: 'Cut tape and count foam for' },
]

/** The last of the tasks. */
export const PACKING = 'Pack'

/** All that is done to the pieces of a class beside cutting, in the order of the craft; packing is last. */
export function tasksOf(preparation: Preparation, bags: Bag[] = packedBags(preparation)): Task[] {
  const { batch: { prep: { pace } }, cards } = preparation
  /** By work and card: pieces by name, and how many times the work is done on them. */
  const done = new Map<string, { of: string, times: number, seconds: number, pieces: Map<string, number> }>()
  for (const card of cards) {
    if (isEnvelopeStamped(card.entry)) add('stamp', card.entry.title, 'Envelope', card.kits, card.kits)
    for (const [{ levels, profile }, dealt] of grouped(card.dealt, ({ prep }) => prep)) {
      const kits = dealt.length
      for (const piece of card.pieces) {
        const level = levels.get(piece.key) ?? 'cut'
        const each = countInKit(profile, piece)
        const pieces = each * kits
        const isReady = isCutReady(level)
        // What is put on already, stamped or die cut is scored as well, but for what comes folded.
        if (isReady && level !== 'cut') {
          for (const [paper, own] of tally(dealt, kit => kit.papers.get(piece.key)))
            add('score', card.entry.title, piece.name, each * own, each * own * scoresLeft(paper, piece))
        }
        if (level === 'die cut') add('dieCut', card.entry.title, piece.name, pieces, pieces)
        if (level === 'stamped') add('stamp', card.entry.title, piece.name, pieces, pieces)
        if (level === 'assembled') add('assemble', card.entry.title, piece.name, pieces, pieces)
        const joints = card.construction?.joints.filter(({ part, means }) => part === piece.key && means !== 'held'
          && means !== 'glue') ?? []
        if (profile.adhesive === 'precut' && isReady && level !== 'assembled')
          add('stick', card.entry.title, piece.name, pieces, pieces * joints.length)
      }
    }
  }
  const inBags = bags.reduce((sum, bag) => sum + piecesInBag(bag), 0)
  const filled = bags.filter(({ kits }) => kits.length > 0).length
  const works = WORKS.flatMap(({ pace: work, name }) =>
    [...done].flatMap(([key, { of, times, seconds, pieces }]): Task[] =>
      (key.startsWith(`${work} `)
        ? [{
            name,
            what: `${[...pieces].map(([piece, number]) => `${number} × ${piece}`).join(', ')} (${of})`,
            times,
            minutes: (times * seconds) / 60,
          }]
        : [])))
  return filled === 0
    ? works
    : [...works, { name: PACKING, what: `${count(inBags, 'piece')} into ${count(filled, 'bag')}`, times: inBags,
        minutes: (inBags * pace.pack) / 60 }]

  function add(work: keyof PrepPaceEntry, card: string, piece: string, pieces: number, times: number): void {
    if (times === 0) return
    const key = `${work} ${card}`
    const known = done.get(key) ?? { of: card, times: 0, seconds: pace[work], pieces: new Map<string, number>() }
    known.times += times
    known.pieces.set(piece, (known.pieces.get(piece) ?? 0) + pieces)
    done.set(key, known)
  }
}

/** Minutes of all tasks together. */
export const taskMinutes = (tasks: Task[]): number => tasks.reduce((sum, { minutes }) => sum + minutes, 0)
