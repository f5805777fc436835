import { lookUp, tally } from '../lists'
import type { Cutter, Demand, Supply } from '../cutting'
import { problemKey } from '../cutting'
import type { Batch, PictureEntry, PrepLevel, ProfileEntry } from '../document'
import { forRules } from '../document'
import type { Piece } from '../folds'
import type { Units } from '../lengths'
import type { Paper } from '../paper'
import { sheetOf, sidesOf } from '../paper'
import type { Kind, Print, Role, SharingProblem } from '../sharing'
import type { BagKit } from './bags'
import { choiceOf } from './bags'
import { demandKey } from './layouts'
import { blanksOfParts, pictureIn } from './blanks'
import { cutPerKit, levelsOf } from './prep'
import { wholeSheets } from './pictures'
import { formatsFor, suppliesOf } from './problems'
import { cutterFor, readWork } from './read'
import type { Found, MadeCard } from './shared-roles'
import { profilesOf } from './shared-roles'

/** Whether something can be cut from a paper: it lies there, can be bought, or is cut already. */
export function toBeHad(batch: Batch, shelf: ReadonlyMap<string, Paper>, cutter: Cutter): (paper: Paper) => boolean {
  const there = new Map([...shelf.values()].map(paper => [
    paper,
    suppliesForSharing(batch, paper, cutter).some(({ onHand, price }) => onHand > 0 || price !== null)
    || batch.cutting.some(
      ({ paper: key, layouts, miscut }) => key === sheetOf(paper).key && (layouts.length > 0 || miscut.length > 0),
    ),
  ]))
  return paper => there.get(paper) ?? false
}

/**
 * What prints are shared out from: what was cut and taken off the shelf counts as if it lay there still, so that the
 * sharing stays.
 */
function suppliesForSharing(batch: Batch, paper: Paper, cutter: Cutter): Supply[] {
  const layouts = batch.cutting.find(({ paper: key }) => key === sheetOf(paper).key)?.layouts ?? []
  const taken = tally(
    layouts.filter(({ shelved }) => shelved), ({ supply }) => supply, ({ cut, repeats }) => Math.min(cut, repeats),
  )
  return suppliesOf(paper, formatsFor(batch, paper), [], cutter)
    .map(supply => ({ ...supply, onHand: supply.onHand + (taken.get(supply.key) ?? 0) }))
}

/** The sizes that are cut from each print: those that kits take, and those that are cut whatever is shared how. */
class PrintSizes {
  private readonly sizes = new Map<string, Map<string, Demand>>()

  constructor(private readonly units: Units) {}

  /** What some parts take of a print, by the keys of their sizes. */
  taken(
    paper: Paper, parts: Piece[], levels: ReadonlyMap<string, PrepLevel>, more: ProfileEntry['more'],
  ): Map<string, number> {
    const own = this.of(sheetOf(paper).key)
    const counts = new Map<string, number>()
    for (const blank of blanksOfParts(paper, parts, levels, { more }, this.units)) {
      const key = demandKey(blank)
      const { name, width, height, turn } = blank
      if (!own.has(key)) own.set(key, { key, name, width, height, turn, quantity: 0 })
      counts.set(key, (counts.get(key) ?? 0) + blank.quantity)
    }
    return counts
  }

  /** Cuts so many pieces more, whatever is shared how. */
  add(print: string, counts: ReadonlyMap<string, number>, times: number): void {
    const own = this.of(print)
    for (const [key, pieces] of counts) {
      const demand = own.get(key)
      if (demand) own.set(key, { ...demand, quantity: demand.quantity + pieces * times })
    }
  }

  /** Cuts whole sheets of a print, whatever is shared how. */
  addSheets(print: string, sheets: Omit<Demand, 'name'>): void {
    const own = this.of(print)
    const { quantity = 0 } = own.get(sheets.key) ?? {}
    own.set(sheets.key, { name: 'Whole sheet', ...sheets, quantity: quantity + sheets.quantity })
  }

  /** Every print that something is cut from, with its sizes. */
  all(): [print: string, demands: Demand[]][] {
    return [...this.sizes].map(([print, demands]) => [print, [...demands.values()]])
  }

  private of(print: string): Map<string, Demand> {
    const own = this.sizes.get(print) ?? new Map<string, Demand>()
    this.sizes.set(print, own)
    return own
  }
}

/** The programme's view: sizes instead of pieces, and what is cut from the same prints whatever is shared how. */
export function sharingProblem(
  batch: Batch,
  cards: MadeCard[],
  lists: BagKit[][],
  { kinds }: Found,
  shelf: ReadonlyMap<string, Paper>,
  cutter: Cutter,
): SharingProblem {
  const sizes = new PrintSizes(batch.class.units)
  const shared = kinds.map((kind): Kind => ({
    ...kind,
    roles: kind.roles.map(({ key, name, pool, options, parts, levels, more }): Role => ({
      key,
      name,
      parts: parts.map(part => part.key),
      pool,
      options: options.map(paper => sheetOf(paper).key),
      takes: options.map(paper => sizes.taken(paper, parts, levels, more)),
    })),
  }))
  const pictured = new Map<Paper, Map<PictureEntry, number>>()
  cards.forEach((card, at) => addByName(sizes, pictured, batch, card, lists[at] ?? [], shelf))
  for (const [paper, counts] of pictured) {
    const sheets = wholeSheets(paper, counts, cutter)
    if (sheets) sizes.addSheets(paper.key, sheets)
  }
  const prints = sizes.all().flatMap(([key, demands]): Print[] => {
    const paper = shelf.get(key)
    if (!paper) return []
    const supplies = suppliesForSharing(batch, paper, cutter)
    return [{
      key, name: paper.name,
      problem: {
        demands, supplies, cutter: { ...cutter, squaring: cutterFor(paper, cutter).squaring }, objective: 'sheets',
        work: readWork(batch),
      },
    }]
  })
  return { prints, kinds: shared, rules: forRules(rule => batch.sharing[rule]) }
}

/**
 * What is cut from the same prints by name, for a card or for one of its colourways.
 * @param pictured collects what is cut out along its picture, by print
 */
function addByName(
  sizes: PrintSizes, pictured: Map<Paper, Map<PictureEntry, number>>, batch: Batch, { entry, pieces }: MadeCard,
  kits: BagKit[], shelf: ReadonlyMap<string, Paper>,
): void {
  const profiles = profilesOf(batch)
  const alike = (kit: BagKit) => `${kit.colourway?.key ?? ''} ${profiles(kit).key}`
  const firsts = new Map([...kits].reverse().map(kit => [alike(kit), kit]))
  for (const [way, count] of tally(kits, alike)) {
    const kit = lookUp(firsts, way)
    const choice = choiceOf(entry, kit.colourway)
    const profile = profiles(kit)
    const levels = levelsOf(profile, entry.key, pieces)
    for (const [print] of sizes.all()) {
      for (const side of [shelf.get(print)].flatMap(paper => (paper ? sidesOf(paper) : []))) {
        const all = pieces.filter(({ key }) => choice[key] === side.key)
        const pictureOf = (piece: Piece) => pictureIn({ pictures: entry.pictures, choice }, piece, side)
        const own = all.filter(piece => !pictureOf(piece))
        const counts = pictured.get(side) ?? new Map<PictureEntry, number>()
        for (const piece of all) {
          const picture = pictureOf(piece)
          const taken = count * cutPerKit({ levels, profile }, piece)
          if (picture && taken > 0) counts.set(picture, (counts.get(picture) ?? 0) + taken)
        }
        if (counts.size > 0) pictured.set(side, counts)
        if (own.length > 0) sizes.add(print, sizes.taken(side, own, levels, profile.more), count)
      }
    }
  }
}

/** Two problems with the same key have the same sharings. */
export const sharingKey = ({ prints, kinds, rules }: SharingProblem): string => [
  JSON.stringify(rules),
  ...prints.map(({ key, problem }) => `${key}\n${problemKey(problem)}`),
  ...kinds.map(({ key, kits, roles, apart }) =>
    `${key} ${kits} ${JSON.stringify(apart)} ${roles.map(({ key, pool, options, takes }) =>
      `${key} ${pool} ${options.join()} ${takes.map(counts => [...counts].join()).join('/')}`).join(';')}`),
].join('\n')
