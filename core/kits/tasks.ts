import { count, grouped, tally } from '../lists'
import { envelopeWorks } from '../dressing'
import type { TechniqueKey } from '../making'
import { TECHNIQUE_KEYS, techniqueOf } from '../making'
import type { Bag } from './packing'
import { packedBags, piecesInBag } from './packing'
import { countInKit, isCutReady, isWorkDone, scoresLeft } from '../batch'
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
  /** Minutes that it dries before anything else is done to it. */
  dries: number
}

const SCORE = 'Score'
const PUT_ON = 'Put on'
const STICK = 'Cut tape and count foam for'
/** In the order of the craft. */
const ORDER = [SCORE, ...TECHNIQUE_KEYS.map(key => techniqueOf(key).name), PUT_ON, STICK]

/** The last of the tasks. */
export const PACKING = 'Pack'

/** The pieces of one card that something is done to, so many times in all. */
interface Done {
  name: string
  card: string
  times: number
  seconds: number
  dries: number
  pieces: Map<string, number>
}

/** All that is done to the pieces of a class beside cutting, in the order of the craft; packing is last. */
export function tasksOf(preparation: Preparation, bags: Bag[] = packedBags(preparation)): Task[] {
  const { batch: { prep: { pace }, evening: { hands, drying, share } }, cards } = preparation
  const all = new Map<string, Done>()
  /** Seconds for one piece or impression, by whoever does all of them in a row. */
  const inARow = (technique: TechniqueKey) => (hands[technique] * share) / 100
  for (const card of cards) {
    const add = (name: string, piece: string, pieces: number, times: number, seconds: number, dries = 0) => {
      if (times === 0) return
      const key = `${name} ${card.entry.key}`
      const done = all.get(key) ?? { name, card: card.entry.title, times: 0, seconds: 0, dries, pieces: new Map() }
      done.times += times
      done.seconds += times * seconds
      done.pieces.set(piece, (done.pieces.get(piece) ?? 0) + pieces)
      all.set(key, done)
    }
    for (const { technique, by, times } of envelopeWorks(card.entry)) {
      if (by !== 'student')
        add(techniqueOf(technique).name, 'Envelope', card.kits, times * card.kits, inARow(technique), drying[technique])
    }
    for (const [{ levels, profile }, dealt] of grouped(card.dealt, ({ prep }) => prep)) {
      for (const piece of card.pieces) {
        const level = levels.get(piece.key) ?? 'cut'
        const each = countInKit(profile, piece)
        const pieces = each * dealt.length
        const isReady = isCutReady(level)
        // What is put on already, stamped or die cut is scored as well, but for what comes folded.
        if (isReady && level !== 'cut') {
          for (const [paper, own] of tally(dealt, kit => kit.papers.get(piece.key)))
            add(SCORE, piece.name, each * own, each * own * scoresLeft(paper, piece), pace.score)
        }
        const works = piece.works?.filter(work => isWorkDone(work, level)) ?? []
        for (const { technique, times } of works)
          add(techniqueOf(technique).name, piece.name, pieces, pieces * times, inARow(technique), drying[technique])
        // A level says what was done where no work does.
        if (level === 'die cut' && works.length === 0)
          add(techniqueOf('die cut').name, piece.name, pieces, pieces, pace.dieCut)
        if (level === 'stamped' && works.length === 0)
          add(techniqueOf('stamp').name, piece.name, pieces, pieces, pace.stamp)
        if (level === 'assembled') add(PUT_ON, piece.name, pieces, pieces, pace.assemble)
        const joints = card.construction?.joints.filter(({ part, means }) => part === piece.key && means !== 'held'
          && means !== 'glue') ?? []
        if (profile.adhesive === 'precut' && isReady && level !== 'assembled')
          add(STICK, piece.name, pieces, pieces * joints.length, pace.stick)
      }
    }
  }
  const inBags = bags.reduce((sum, bag) => sum + piecesInBag(bag), 0)
  const filled = bags.filter(({ kits }) => kits.length > 0).length
  const tasks = [...all.values()]
    .sort((a, b) => ORDER.indexOf(a.name) - ORDER.indexOf(b.name))
    .map(({ name, card, times, seconds, dries, pieces }): Task => ({
      name,
      what: `${[...pieces].map(([piece, number]) => `${number} × ${piece}`).join(', ')} (${card})`,
      times,
      minutes: seconds / 60,
      dries: dries / 60,
    }))
  return filled === 0
    ? tasks
    : [...tasks, { name: PACKING, what: `${count(inBags, 'piece')} into ${count(filled, 'bag')}`, times: inBags,
        minutes: (inBags * pace.pack) / 60, dries: 0 }]
}

/** Minutes of all tasks together. */
export const taskMinutes = (tasks: Task[]): number => tasks.reduce((sum, { minutes }) => sum + minutes, 0)
