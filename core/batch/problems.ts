import type { Batch, CuttingEntry } from '../document'
import type { Cutter, KitNeed, Layout, CuttingProblem, Supply } from '../cutting'
import { madeBy, openedBy } from '../cutting'
import { dropOutsOf } from '../folds'
import { tally } from '../lists'
import type { Length } from '../lengths'
import { downToMark, lengthFrom, product } from '../lengths'
import type { Paper, Stock } from '../paper'
import { ownFormats, sheetOf, sheetPrice, sidesOf } from '../paper'
import { demandKey, isLoose, keyOfRef, looseKey, readLayout } from './layouts'
import type { OwnedDemand } from './owners'
import { belongsTo, pileName } from './owners'
import { picturedSheets } from './pictures'
import { cutterFor, readWork } from './read'
import type { Blank, KitGroup } from './blanks'
import { blanksFor } from './blanks'
import type { PreparedCard } from './prepared'

/** The cutting problem of one paper, with the words for it. */
export interface PaperProblem {
  paper: Paper
  /** The cards that pieces are cut for from it. */
  cards: PreparedCard[]
  /** What the maker noted about its cutting. */
  own?: CuttingEntry
  /** What is still to be cut. */
  problem: CuttingProblem
  /** Piece names by demand key, and how many belong to whom where several pieces are cut as one. */
  names: Map<string, string>
  belongs: Map<string, string>
  /** What the class needs in all, by demand key; the problem asks for what of it is missing. */
  wanted: Map<string, number>
  /** What was spoiled, by demand key. */
  spoiled: Map<string, number>
  /** Sheets cut already, by supply key. */
  opened: Map<string, number>
  /** Layouts that are cut and that the shelf does not know of yet. */
  cut: Layout[]
  /** The paper of each supply, where they differ. */
  paperOf?: Map<string, Paper>
  /** Kept layouts that do not fit any more, and why. */
  dropped: string[]
  /** What the class wants of it, and hidden parts for which any scrap would do on layouts that are kept or cut. */
  demands: OwnedDemand[]
  hidden: Map<string, number>
  /** The problem without kept layouts and with every format, where that differs: it shows what they cost. */
  free?: CuttingProblem
}

/**
 * The cutting problem of one paper.
 * @param cards those that pieces are cut for from it
 * @param scrap hidden parts that may be among its layouts
 * @param known how its sheets were cut while prints were shared out
 */
export function paperProblem(
  batch: Batch, cards: PreparedCard[], paper: Paper, tools: Cutter, scrap: OwnedDemand[] = [], known?: Layout[],
): PaperProblem {
  const cutter = cutterFor(paper, tools)
  const demands = demandsOf(batch, cards, paper)
  const entry = batch.cutting.find(({ paper: key }) => key === paper.key)
  const supplies = [...suppliesOf(paper, formatsFor(batch, paper), cards, cutter), ...miscutsOf(entry)]
  const own = new Set(demands.map(({ key }) => key))
  const { cut, kept, unshelved, dropped } = madeLayouts(
    entry, [...demands, ...scrap.filter(({ key }) => !own.has(key))], supplies, cutter,
  )

  const { hidden, onLayouts } = hiddenOn(scrap.filter(({ key }) => !own.has(key)), cut, kept)
  const all = [...demands, ...onLayouts]
  const spoiled = new Map((entry?.spoiled ?? []).map(({ piece, count }) => [keyOfRef(piece), count]))
  const opened = openedBy(cut)
  const taken = openedBy(unshelved)
  const left = supplies.map((supply) => {
    // What the shelf does not hold is gone once it is cut, whether the shelf was brought up to date or not.
    const gone = isLoose(supply.kind) ? opened : taken
    return { ...supply, onHand: Math.max(0, supply.onHand - (gone.get(supply.key) ?? 0)) }
  })
  const kits = supplies.some(({ price }) => price !== null) ? [] : kitNeeds(batch, cards, paper)
  const free: CuttingProblem = {
    demands: [...onLayouts, ...stillMissing(demands, cut, spoiled, entry)],
    supplies: left,
    cutter,
    // What the maker wishes for this paper comes before the wishes of the class.
    objective: (entry?.priority ?? batch.wishes.priority) === 'money' ? 'money' : 'sheets',
    work: readWork(batch),
    ...(kits.length > 0 && { kits }),
    ...(batch.wishes.offcutsFirst && { offcutsFirst: true }),
    ...(known && { known }),
  }
  return {
    paper,
    cards,
    own: entry,
    names: new Map(all.map(({ key, name }) => [key, name])),
    belongs: new Map(all.map(({ key, owners }) => [key, belongsTo(owners)])),
    wanted: new Map(all.map(({ key, quantity }) => [key, hidden.get(key) ?? quantity])),
    spoiled,
    opened,
    cut: unshelved,
    dropped,
    demands,
    hidden,
    problem: {
      ...free,
      supplies: wantedFormats(left, kept, entry),
      ...(kept.length > 0 && { fixed: kept }),
      ...(cut.length > 0 && { setUp: cut.map(({ key, supply, root }) => ({ key, supply, root })) }),
    },
    free: kept.length > 0 || (entry?.without ?? []).length > 0 ? free : undefined,
  }
}

/** Hidden parts on layouts that are cut or kept: they are no business of what the papers leave over. */
function hiddenOn(scrap: OwnedDemand[], cut: Layout[], kept: Layout[]) {
  const onKept = madeBy(kept)
  const onAll = madeBy([...cut, ...kept])
  const hidden = new Map(scrap.flatMap(({ key, quantity }) => {
    const count = Math.min(quantity, onAll.get(key) ?? 0)
    return count > 0 ? [[key, count] as const] : []
  }))
  const onLayouts = scrap
    .filter(({ key }) => hidden.has(key))
    .map(demand => ({ ...demand, quantity: onKept.get(demand.key) ?? 0 }))
  return { hidden, onLayouts }
}

/**
 * The layouts of a paper that the maker keeps.
 * @param readable the sizes that may lie on them
 * @returns what is cut of them, what of that the shelf does not know of yet, what is still to be cut, and why others do
 *   not fit any more
 */
function madeLayouts(entry: CuttingEntry | undefined, readable: OwnedDemand[], supplies: Supply[], cutter: Cutter) {
  const dropped: string[] = []
  const [cut, kept, unshelved]: [Required<Layout>[], Layout[], Layout[]] = [[], [], []]
  for (const layout of entry?.layouts ?? []) {
    const read = readLayout(layout, readable, cutter)
    if ('wrong' in read) {
      dropped.push(read.wrong)
      continue
    }
    if (layout.cut > 0) {
      const done = { ...read, repeats: Math.min(layout.cut, layout.repeats) }
      cut.push(done)
      if (!layout.shelved) unshelved.push(done)
    }
    if (layout.repeats <= layout.cut) continue
    // What is cut is cut; what is still to be cut needs its sheet.
    if (
      supplies.some(
        ({ key, width, height }) => key === read.supply && width === read.root.width && height === read.root.height,
      )
    )
      kept.push({ ...read, repeats: layout.repeats - layout.cut })
    else dropped.push('its sheet is no longer on the shelf')
  }
  return { cut, kept, unshelved, dropped }
}

/** What is still to be cut: what is cut already does not count where it was spoiled or cut wrong. */
function stillMissing(
  demands: OwnedDemand[], cut: Layout[], spoiled: ReadonlyMap<string, number>, entry?: CuttingEntry,
): OwnedDemand[] {
  const made = madeBy(cut)
  const miscut = tally(entry?.miscut ?? [], ({ piece }) => keyOfRef(piece), ({ count }) => count)
  return demands.map(demand => ({
    ...demand,
    quantity: Math.max(
      0, demand.quantity - (made.get(demand.key) ?? 0) + (spoiled.get(demand.key) ?? 0) + (miscut.get(demand.key) ?? 0),
    ),
  }))
}

/**
 * Supplies without the formats that the maker does not want for this paper; such a one still serves the layouts that
 * are kept on it.
 */
function wantedFormats(supplies: Supply[], kept: Layout[], entry?: CuttingEntry): Supply[] {
  const without = new Set(entry?.without ?? [])
  const keptOn = openedBy(kept)
  return supplies.flatMap((supply) => {
    if (supply.kind !== 'sheet' || !without.has(supply.key)) return [supply]
    return keptOn.has(supply.key) ? [{ ...supply, onlyFixed: true }] : []
  })
}

/**
 * What is wanted from a paper: pieces of one size that may lie the same way together, strips that go along uncut, and
 * whole sheets from which pictures are cut out.
 */
export function demandsOf(batch: Batch, cards: PreparedCard[], paper: Paper): OwnedDemand[] {
  const blanks = blankDemands(batch, cards, paper)
  const sheets = picturedSheets(batch, cards, paper)
  if (!sheets) return blanks
  const same = blanks.find(({ key }) => key === sheets.key)
  if (!same) return [...blanks, sheets]
  const owners = [...same.owners, ...sheets.owners]
  const both = {
    ...same, owners, quantity: same.quantity + sheets.quantity, name: pileName(owners, batch.cards.length <= 1),
  }
  return blanks.map(demand => (demand === same ? both : demand))
}

/**
 * What is cut to size from a paper.
 * @param groupsOf the kits of a card; all of the batch unless said otherwise
 */
export function blankDemands(
  batch: Batch, cards: PreparedCard[], paper: Paper, groupsOf = ({ groups }: PreparedCard) => groups,
): OwnedDemand[] {
  const demands = new Map<string, OwnedDemand>()
  for (const card of cards) {
    for (const { isBack, ...blank } of blanksOfSides(paper, card, groupsOf(card))) {
      const { width, height, turn, quantity } = blank
      const piece = isBack ? `${blank.name}, other side up` : blank.name
      const key = demandKey(blank)
      const same = demands.get(key) ?? { key, name: '', width, height, turn, quantity: 0, owners: [] }
      const owners = same.owners.map(owner => ({ ...owner }))
      const own = owners.find(owner => owner.card === card.entry.title && owner.piece === piece)
      if (own) own.quantity += quantity
      else owners.push({ card: card.entry.title, piece, quantity })
      demands.set(key, { ...same, quantity: same.quantity + quantity, owners })
    }
  }
  return [...demands.values()].map(demand => ({ ...demand, name: pileName(demand.owners, batch.cards.length <= 1) }))
}

/** What is cut for each side of a paper: a piece of one size serves whichever side lies up on it in the end. */
const blanksOfSides = (paper: Paper, { pieces }: PreparedCard, groups: KitGroup[]): (Blank & { isBack: boolean })[] =>
  sidesOf(paper).flatMap(side =>
    blanksFor(side, pieces, groups).map(blank => ({ ...blank, isBack: side !== paper })))

/** What complete kits take from a paper: those that take the same count together. */
export function kitNeeds(batch: Batch, cards: PreparedCard[], paper: Paper): KitNeed[] {
  const needs = new Map<string, KitNeed>()
  for (const card of cards) {
    for (const group of card.groups) {
      const demands = blankDemands(batch, [card], paper, () => [{ ...group, kits: 1 }])
      const pieces = demands.map(({ key, quantity }) => [key, quantity] as const)
      if (pieces.length === 0) continue
      const alike = pieces.join(' ')
      needs.set(alike, { kits: (needs.get(alike)?.kits ?? 0) + group.kits, pieces: new Map(pieces) })
    }
  }
  return [...needs.values()]
}

/**
 * The sheet formats that a class may cut a paper from, before it does without some: those of its own units and those
 * asked for.
 */
export function formatsFor(batch: Batch, { key, stocks }: Paper): Stock[] {
  const also = batch.cutting.find(({ paper }) => paper === key)?.also ?? []
  const own = ownFormats(stocks, batch.class.units)
  return stocks.filter(stock => own.includes(stock) || also.includes(stock.key))
}

/** Sheets of some formats, offcuts on the shelf, and what windows of pieces of this paper will release. */
export function suppliesOf(paper: Paper, formats: Stock[], cards: PreparedCard[], cutter: Cutter): Supply[] {
  const supplies: Supply[] = formats.map(({ key, width, height, onHand, ...stock }) =>
    ({ kind: 'sheet', key, width, height, onHand, price: sheetPrice(stock) }))
  for (const { count, ...offcut } of paper.offcuts)
    supplies.push({ kind: 'offcut', ...offcut, onHand: count, price: null })
  const release = (width: Length, height: Length, count: number) => {
    const key = looseKey('drop-out', { width, height })
    const same = supplies.find(supply => supply.key === key)
    if (same) same.onHand += count
    else if (count > 0) supplies.push({ key, kind: 'drop-out', width, height, onHand: count, price: null })
  }
  // A drop-out of a print may lie any way round on the sheet, so only plain paper is used again.
  if (sidesOf(paper).every(({ upright }) => !upright)) {
    for (const { construction, pieces } of cards) {
      for (const { part, shape, width, height } of construction ? dropOutsOf(construction) : []) {
        const piece = pieces.find(({ key }) => key === part)
        const share = piece?.shares.find(other => sheetOf(other.paper) === paper)
        if (!share) continue
        // The largest square in a round drop-out.
        const [wide, high]
          = shape === 'circle'
            ? [product(width.value, Math.SQRT1_2), product(height.value, Math.SQRT1_2)]
            : [width.value, height.value]
        if (Math.min(wide, high) >= cutter.smallestPiece)
          release(downToMark(wide, cutter.mark), downToMark(high, cutter.mark), share.quantity)
      }
    }
  }
  return supplies
}

/**
 * Pieces cut to a wrong size, as something to cut from: trimmed they may serve yet, for what was meant or for something
 * else.
 */
function miscutsOf(entry?: CuttingEntry): Supply[] {
  const supplies = new Map<string, Supply>()
  for (const { count, ...size } of entry?.miscut ?? []) {
    const [width, height] = [lengthFrom(size.width), lengthFrom(size.height)]
    const key = looseKey('miscut', { width, height })
    supplies.set(key, {
      key, kind: 'miscut', width, height, onHand: (supplies.get(key)?.onHand ?? 0) + count, price: null,
    })
  }
  return [...supplies.values()]
}
