import { isWorkDone, scoresLeft, stripInWords } from '../batch'
import type { PrepLevel } from '../document'
import { wayUp } from '../dressing'
import type { Step } from '../folds'
import { layerWords } from '../folds'
import { uncapitalised } from '../lists'
import type { Units } from '../lengths'
import { formatSize } from '../lengths'
import type { PackedKit } from './packing'

/* What is left to do of a card by whoever gets its kit: hand-outs tell it, and the evening is rehearsed with it. */

/** A step of a kit as it is left. */
export interface StepLeft {
  /** Its place among the steps of the card; none for what comes before them. */
  at?: number
  /** The step that it is; none for what comes before the steps of the card. */
  step?: Step
  text: string
  warning?: string
  /** Pieces to be cut in it. */
  cuts: number
  /** Scores to be made in it, and slits and windows to be cut. */
  scores: number
  slits: number
  /** Keys of the pieces that are put on in it. */
  puts: string[]
}

const IS_SCORED: ReadonlySet<PrepLevel> = new Set(['scored', 'die cut', 'stamped', 'assembled'])

/**
 * The words of a step as it is left to do, by how far what is worked on in it is made ready.
 * @param folded what is worked on and has creases, by key
 * @param scored those of it that are scored already
 */
function wordsLeft(
  step: Step, folded: string[], scored: string[], levels: ReadonlyMap<string, PrepLevel>,
  nameOf: (key: string) => string,
): Pick<Step, 'text' | 'warning'> {
  const names = (keys: string[]) => keys.map(nameOf).join(', ')
  const dies = folded.filter(key => levels.get(key) === 'die cut')
  if (!step.scored || step.said !== undefined || scored.length === 0) return step
  const cut = dies.length > 0 ? `${names(dies)}: slits and windows are cut already. ` : ''
  if (scored.length < folded.length) return { ...step, text: `${names(scored)}: scored already. ${cut}${step.text}` }
  return { ...step.scored, text: `${cut}${step.scored.text}` }
}

/** Whether all that a step does is done already: what it puts on is put on, and it makes nothing. */
const isPutOn = ({ puts, makes }: Step, levels: ReadonlyMap<string, PrepLevel>): boolean =>
  puts.length > 0 && makes.every(key => puts.includes(key)) && puts.every(key => levels.get(key) === 'assembled')

/** The steps of a kit as they are left to whoever gets the bag. */
export function stepsLeft({ card, pieces, strips }: PackedKit, units: Units): StepLeft[] {
  const { construction } = card
  if (!construction) return []
  const levels = new Map(pieces.map(({ piece, level }) => [piece.key, level]))
  const levelOf = (key: string | undefined): PrepLevel => levels.get(key ?? '') ?? 'cut'
  const bought = new Set(pieces.flatMap(({ piece, paper }) =>
    (piece.scores.length > 0 && scoresLeft(paper, piece) === 0 ? [piece.key] : [])))
  const isScored = (key: string) => bought.has(key) || IS_SCORED.has(levelOf(key))
  const isPrint = (key: string) => pieces.some(({ piece, paper }) => piece.key === key && paper?.kind === 'print')
  const partOf = (key: string) => construction.parts.find(part => part.key === key)
  const nameOf = (key: string) => partOf(key)?.name ?? key
  const uncut = strips.map(
    strip => `From the strip of ${strip.paper.name}: ${stripInWords(strip, card.pieces, units)}.`,
  )
  const brought = pieces.filter(({ level }) => level === 'brought')
  const own = brought.map(({ piece, count }) =>
    `${count} × ${piece.name} ${formatSize(piece.width.value, piece.height.value, units)}`,
  )
  const cutFirst = (text: string, cuts: number): StepLeft => ({ text, cuts, scores: 0, slits: 0, puts: [] })
  const inStrips = strips.reduce((sum, { parts }) => sum + parts.reduce((all, { count }) => all + count, 0), 0)
  let worked: string[] = []
  return [
    ...(uncut.length > 0 ? [cutFirst(`Cut your pieces. ${uncut.join(' ')}`, inStrips)] : []),
    ...(own.length > 0
      ? [cutFirst(`Cut from your own paper: ${own.join(', ')}.`, brought.reduce((sum, { count }) => sum + count, 0))]
      : []),
    ...construction.steps.flatMap((step, at): StepLeft[] => {
      const folded = step.makes.filter(key => (partOf(key)?.creases.length ?? 0) > 0)
      if (folded.length > 0) worked = folded
      const { work } = step
      const on = levelOf((step.works ?? step.finishes)?.[0])
      if (isPutOn(step, levels) || (work && isWorkDone(work, on))) return []
      const [ready, left] = [true, false].map(isReady =>
        step.puts.filter(key => (levelOf(key) === 'assembled') === isReady)) as [string[], string[]]
      const already = ready.length > 0 ? `${ready.map(nameOf).join(', ')}: put on already. ` : ''
      const made = step.makes.map(partOf)
      const what = {
        at, step, puts: left, cuts: 0,
        scores: made.reduce((sum, part) => sum + (part && !isScored(part.key) ? part.creases.length : 0), 0),
        slits: made.reduce((sum, part) =>
          sum + (part && levelOf(part.key) !== 'die cut' ? part.slits.length + part.windows.length : 0), 0),
      }
      if (step.lays && step.said === undefined) {
        const top = wayUp(construction, left.filter(isPrint), left.length)
        const words = [layerWords(construction, left, units, step.lays), top]
        return [{ ...what, text: `${already}${words.filter(Boolean).join(' ')}`, warning: step.warning }]
      }
      const { text, warning } = wordsLeft(step, worked, worked.filter(isScored), levels, nameOf)
      // What is theirs and could not be done before is done in the class.
      const theirs = work?.by === 'instructor' ? `Your instructor does this: ${uncapitalised(text)}` : text
      return [{ ...what, text: `${already}${theirs}`, warning }]
    }),
  ]
}
