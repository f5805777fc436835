import type { Batch, CardEntry } from '../core/document'
import { spawnSync } from 'node:child_process'
import { parseArgs } from 'node:util'
import Table from 'cli-table3'
import { newCard, prepare } from '../core/batch'
import { planAll } from '../core/plans'
import { kitsOfBatch } from '../core/kits'
import { loadSolver } from '../cli/solver'
import { plan, planPaper } from '../core/cutting'
import type { Solve } from '../core/cutting'
import { addFreePiece, dressedCard, facesOf, lyingFindings, newLayer, wholeCard } from '../core/dressing'
import type { Fold } from '../core/folds'
import { FOLDS, defaultInputs, drawFolded, poseOf, thicknessMap } from '../core/folds'
import { writeBatch } from '../core/formats'
import { inches, millimetres } from '../core/lengths'
import { demoBatches } from '../demo'
import { craftBatches, studioOrders } from './cutting'
import { literatureClasses } from './literature'
import { classBatches } from './classes'
import { editing } from './editing'
import { evenings } from './evening'
import { median, ms, of, time } from './measure'
import { oddOnes } from './odd'
import { rehearsals } from './rehearsal'
import { sharing } from './sharing'

/**
 * Speed as ratios against a bound in the same run: a 60 Hz frame for what must
 * follow a key press, this machine's bare Node start for the command line.
 */
const FRAME = 1000 / 60

/** The demo class for some seats, fewest sheets for the least money. */
const withSeats = (batch: Batch, seats: number): Batch => ({
  ...batch,
  class: { ...batch.class, seats, spares: 0 },
  wishes: { ...batch.wishes, priority: 'money' },
  cutting: [],
})
/** The demo classes at some sizes: how fast a change, the plans and the kits are, and how many sheets they take. */
function classes(solve: Solve): string {
  const speed = new Table({
    head: ['Class', 'Kits', 'Change → pieces', 'of a frame', 'First plans', 'All plans', 'Kits'],
    style: { head: [], border: [] },
  })
  const sheets = new Table({
    head: ['Class', 'Kits', 'Sheets', 'Lower bound', 'Ratio', 'Papers proven'],
    style: { head: [], border: [] },
  })
  for (const batch of demoBatches(new Date(2030, 0, 1))) {
    for (const seats of [12, 60, 500]) {
      const whole = withSeats(batch, seats)
      const preparation = prepare(whole)
      const outcomes = planAll(whole, preparation, solve)
      const change = time(() => prepare(whole))
      const first = time(() => preparation.papers.forEach(({ problem }) => planPaper(problem).next()), 5)
      const all = time(() => preparation.papers.forEach(({ problem }) => plan(problem, solve)), 1)
      const kits = time(() => kitsOfBatch(whole, preparation, outcomes))
      speed.push([batch.class.title, seats, ms(change), of(change, FRAME), ms(first), ms(all), ms(kits)])
      const used = outcomes.reduce((sum, outcome) => sum + outcome.plan.sheets, 0)
      const bound = outcomes.reduce((sum, outcome) => sum + outcome.plan.bound, 0)
      const proven = outcomes.filter(outcome => outcome.plan.sheets === outcome.plan.bound).length
      sheets.push([batch.class.title, seats, used, bound, (used / bound).toFixed(3), `${proven} of ${outcomes.length}`])
    }
  }
  return `${speed.toString()}\n${sheets.toString()}`
}

/** What a change of a parameter may take: pieces and findings of one design. */
const CHANGE = 5

/** A card with three layers on every face and ten free pieces. */
function dressedAllOver(fold: Fold): CardEntry {
  const [batch] = demoBatches(new Date(2030, 0, 1)) as [Batch]
  const card = newCard(fold, { ...batch, cards: [] })
  const natural = wholeCard(fold, card, 'inch', inches(1 / 16))
  const faces = facesOf(natural)
  card.faces = faces.map(({ key }) => ({
    key,
    works: [],
    message: false,
    layers: ['layer-1', 'layer-2', 'layer-3'].map(layer => newLayer(layer, 'inch')),
  }))
  for (let piece = 0; piece < 10; piece++) {
    const { key, panel } = faces[piece % faces.length]!
    addFreePiece(card, 'inch', { face: key, shape: piece % 2 ? 'oval' : 'rounded', corner: '1/4 in' }, panel)
  }
  return card
}

/**
 * How long it takes once a card as it comes has settled to say what is seen of it, what is in the way and what is glued
 * amiss.
 */
function seenAfter(fold: Fold): number {
  const card = newCard(fold, { ...demoBatches(new Date(2030, 0, 1))[0]!, cards: [] })
  const made = Array.from({ length: 22 }, () => dressedCard(fold, card, 'inch', inches(1 / 16)))
  // What was found for a card is kept with it, so that each is looked at once.
  return time(() => void lyingFindings(made.pop()!, 'inch'))
}

/** Every fold of the catalogue: how fast it is worked out, posed and drawn. */
function folds(): string {
  const table = new Table({
    head: [
      'Fold',
      'Panels',
      'Change → pieces and findings',
      'of 5 ms',
      'what is seen of it',
      'of 5 ms',
      'Dressed all over',
      'of 5 ms',
      'with fixes tried',
      'Pose at an opening', 'Drawn view',
      'Thickness map',
    ],
    style: { head: [], border: [] },
  })
  for (const fold of FOLDS) {
    const inputs = defaultInputs(fold.parameters, 'inch')
    const card = fold.construct(inputs, 'inch', inches(1 / 16))
    const change = time(() => fold.construct(inputs, 'inch', inches(1 / 16)))
    const seen = seenAfter(fold)
    const full = dressedAllOver(fold)
    const dressed = time(() => dressedCard(fold, full, 'inch', inches(1 / 16)), 101)
    table.push([
      fold.name,
      card.parts.reduce((sum, { panels }) => sum + panels.length, 0),
      ms(change),
      of(change, CHANGE),
      ms(seen),
      of(change + seen, CHANGE),
      ms(dressed),
      of(dressed, CHANGE),
      ms(time(() => wholeCard(fold, full, 'inch', inches(1 / 16)), 5)),
      ms(time(() => poseOf(card, 0.4))),
      ms(time(() => drawFolded(card, 0.4, fold.view))),
      ms(time(() => thicknessMap(card, () => millimetres(0.3), millimetres(1.5)), 5)),
    ])
  }
  return table.toString()
}

/** What the command line may take to its first line, in milliseconds. */
const FIRST_LINE = 500

/** “pieces” on the command line, through npm and without it, beside a bare start of Node. */
function commandLine(): string {
  const batch = writeBatch(demoBatches(new Date(2030, 0, 1))[1]!)
  const start = (command: string, args: string[]) =>
    median(
      Array.from({ length: 9 }, () => {
        const began = performance.now()
        spawnSync(command, args, { input: batch })
        return performance.now() - began
      }),
    )
  const node = start('node', ['-e', '0'])
  const command = start('node', ['scripts/run.mjs', 'wakaru', 'pieces', '-'])
  const npm = start('npm', ['run', '-s', 'wakaru', '--', 'pieces', '-'])
  return (
    `Command line, whole run of “pieces”: ${ms(command)}, ${of(command, node)} a bare start of Node (${ms(node)}); through `
    + `npm ${ms(npm)}, ${of(npm, FIRST_LINE)} half a second.`
  )
}

async function main() {
  const { values } = parseArgs({
    options: { instances: { type: 'string' }, only: { type: 'string' }, case: { type: 'string' } },
  })
  const solve = await loadSolver()
  /** Random problems of each class and number of pieces. */
  const instances = Number(values.instances) || 1
  const parts: Record<string, () => string> = {
    classes: () => classes(solve),
    editing,
    folds,
    rehearsal: rehearsals,
    command: commandLine,
    balance: () => classBatches(solve, 12 * instances),
    evening: () => evenings(solve, 40 * instances),
    craft: () => craftBatches(solve),
    literature: () => literatureClasses(solve, instances),
    studio: () => studioOrders(solve),
    sharing: () => sharing(solve),
    odd: () => oddOnes(solve, values.case),
  }
  if (values.only !== undefined && !Object.hasOwn(parts, values.only))
    throw new Error(`--only takes one of: ${Object.keys(parts).join(', ')}.`)

  console.log(`Node ${process.version}, ${process.platform} ${process.arch}. Medians in one process.\n`)
  for (const [name, part] of Object.entries(parts))
    if (values.only === undefined || values.only === name) console.log(`${part()}\n`)
  const { heapUsed, rss } = process.memoryUsage()
  console.log(
    `Memory in use after it all: ${Math.round(heapUsed / 1e6)} MB, ${Math.round(rss / 1e6)} MB of the process.`,
  )
}

/** Settles when everything has been measured; whoever starts it waits for it. */
export const done = main().catch((error: Error) => {
  console.error(error.message)
  process.exitCode = 2
})
