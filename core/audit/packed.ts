import type { Batch } from '../document'
import { isPool } from '../document'
import { bagKeys, dueIn, isCut, kitsWanted, sheetKey } from './bags'
import type { Audited, Disagreement, KitPart, SaidKit, SaidLine } from './model'

/** What is wrong with the bags themselves: who gets which kits, and what is in each. */
export function bagDisagreements(audited: Audited): Disagreement[] {
  const { batch, said: { bags, over } } = audited
  const keys = bagKeys(batch)
  const found: Disagreement[] = []
  if (bags.length !== keys.length || bags.some(({ bag }, at) => bag !== keys[at]))
    found.push({
      where: 'Bags', problem: `there should be ${keys.length}, for all seats, spare ones and those to choose from`,
    })
  for (const card of batch.cards) {
    const inBags = bags.flatMap(({ bag, kits }) => kits.flatMap(kit => (kit.card === card.key ? [{ bag, kit }] : [])))
    const others = over.filter(kit => kit.card === card.key)
    const [wanted, made] = [kitsWanted(batch, card), inBags.length + others.length]
    if (made !== wanted) found.push({ where: card.title, problem: `has ${made} kits instead of ${wanted}` })
    if (new Set(inBags.map(({ bag }) => bag)).size < inBags.length)
      found.push({ where: card.title, problem: 'has two kits in one bag' })
    if (
      others.length > 0
      && inBags.length < Math.min(wanted, keys.length)
      && card.insteadOf === ''
      && !standsFor(batch, card.key)
    )
      found.push({ where: card.title, problem: `has ${others.length} kits in no bag although some bag has none` })
    for (const bag of card.bags.slice(0, wanted)) {
      if (keys.includes(bag) && inBags.every(one => one.bag !== bag))
        found.push({ where: bag, problem: `is named for ${card.title} and has none` })
    }
    found.push(...ofColourways(batch, card.key, [...inBags.map(({ kit }) => kit), ...others]))
  }
  for (const { bag, label, kits } of bags)
    for (const kit of kits) found.push(...kitDisagreements(audited, kit, label, bag))
  for (const kit of over) found.push(...kitDisagreements(audited, kit, 'a kit in nobody’s bag'))
  return found
}

const standsFor = ({ cards }: Batch, key: string): boolean => cards.some(({ insteadOf }) => insteadOf === key)

/** Of each colourway there are as many kits as are said, and none of a colourway that is not there. */
function ofColourways({ cards }: Batch, key: string, kits: SaidKit[]): Disagreement[] {
  const card = cards.find(entry => entry.key === key)
  if (!card || card.colourways.length === 0) return []
  const fixed = card.colourways.reduce((sum, { kits: number }) => sum + (number ?? 0), 0)
  return card.colourways.flatMap(({ key: way, name, kits: number }): Disagreement[] => {
    const made = kits.filter(({ colourway }) => colourway === way).length
    // Where more or fewer kits are made than are said for all colourways, they are evened out.
    const isExact
      = number !== null
        && fixed <= kits.length
        && (fixed === kits.length || card.colourways.some(one => one.kits === null))
    return isExact && made !== number
      ? [{ where: card.title, problem: `has ${made} kits in ${name} instead of ${number}` }]
      : []
  })
}

/**
 * What is wrong with one kit: a piece too many or too few, of a wrong paper, made ready otherwise, or missing in its
 * strips.
 */
function kitDisagreements({ batch, recipes }: Audited, kit: SaidKit, whose: string, bag?: string): Disagreement[] {
  const due = dueIn(batch, recipes, kit, bag)
  const found: Disagreement[] = []
  const wrong = (part: KitPart, problem: string) => found.push({ where: whose, problem: `${part.name}: ${problem}` })
  for (const { part, count, level, papers } of due) {
    const said = kit.pieces.filter(({ key }) => key === part.key)
    const [one] = said
    if (!one || said.length > 1) {
      wrong(part, one ? 'is said twice' : 'is not in it')
      continue
    }
    if (one.count !== count) wrong(part, `${one.count} are in it instead of ${count}`)
    if (one.level !== level) wrong(part, `is ${one.level} instead of ${level}`)
    if (papers.length > 0 ? !papers.includes(one.paper ?? '') : one.paper !== undefined)
      wrong(part, `is of ${one.paper ?? 'no paper'} instead of ${papers.join(' or ') || 'none'}`)
    const inStrips = kit.strips.flatMap(({ parts }) => parts).filter(({ key }) => key === part.key)
      .reduce((sum, entry) => sum + entry.count, 0)
    const uncut = level === 'uncut' ? count : 0
    if (inStrips !== uncut) wrong(part, `${inStrips} are to be cut from strips instead of ${uncut}`)
  }
  if (kit.pieces.length > due.length) found.push({ where: whose, problem: 'holds pieces that no fold makes' })
  for (const { part, choice } of due) {
    const half = due.find(
      other => other.part !== part && other.part.pair !== undefined && other.part.pair === part.pair,
    )
    const paperOf = (key: string) => kit.pieces.find(piece => piece.key === key)?.paper
    if (half && isPool(choice) && half.choice === choice && paperOf(part.key) !== paperOf(half.part.key))
      wrong(part, `is of another print than ${half.part.name}, its other half`)
  }
  return [...found, ...stripDisagreements(kit, due.map(({ part }) => part), whose)]
}

/** A strip is as high as its pieces and as long as all of them together, and of the paper that they are of. */
function stripDisagreements({ strips, pieces }: SaidKit, parts: KitPart[], whose: string): Disagreement[] {
  return strips.flatMap(({ paper, width, height, parts: held }): Disagreement[] => {
    let length = 0
    for (const { key, count } of held) {
      const part = parts.find(other => other.key === key)
      if (!part || pieces.find(piece => piece.key === key)?.paper !== paper)
        return [{ where: whose, problem: `a strip of ${paper} is for ${key}, which is not of it` }]
      if (part.height !== height && part.width !== height)
        return [{ where: whose, problem: `a strip for ${part.name} is not as high as that` }]
      length += count * (part.height === height ? part.width : part.height)
    }
    return length === width
      ? []
      : [{ where: whose, problem: `a strip of ${paper} is not as long as its pieces together` }]
  })
}

/** What is wrong with a list of what is in the bags: read line by line, whatever it was written from. */
export function listDisagreements(audited: Audited): Disagreement[] {
  const { batch, recipes, said: { lists, bags } } = audited
  const paperName = (named: string | undefined) => {
    const paper = batch.papers.find(({ key }) => named !== undefined && key === sheetKey(named))
    return paper && (paper.key === named ? paper.name : paper.back.name || `${paper.name}, other side`)
  }
  return lists.flatMap(({ source, bags: written }) => bags.flatMap(({ bag, label, kits }): Disagreement[] => {
    const lines = [...written.get(bag) ?? []]
    const missing: string[] = []
    const take = (what: string, fits: (line: SaidLine) => boolean) => {
      const at = lines.findIndex(fits)
      if (at < 0) missing.push(what)
      else lines.splice(at, 1)
    }
    for (const kit of kits) {
      for (const { part, count, level } of dueIn(batch, recipes, kit, bag)) {
        if (level === 'uncut') continue
        const paper = level === 'brought' ? undefined : kit.pieces.find(({ key }) => key === part.key)?.paper
        take(`${count} × ${part.name}`, line => line.name === part.name && line.count === count && isSize(line, part)
          && line.paper === (paper === undefined ? '' : paperName(paper) ?? 'Any scrap'))
      }
      for (const strip of kit.strips)
        take('a strip', line => isSize(line, strip) && line.paper === paperName(strip.paper))
      for (const { name, count } of recipes.get(kit.card)?.things ?? [])
        take(`${count} × ${name}`, line => line.name.startsWith(name) && line.count === count)
    }
    const says = (problem: string): Disagreement => ({ where: `${source}, ${label}`, problem })
    return [
      ...missing.map(what => says(`${what} is not on it`)),
      ...lines.map(({ count, name }) => says(`${count} × ${name} is too much`)),
    ]
  }))
}

/**
 * Whether a line is about a size, whichever way it is turned; what has no mark is written to the nearest 64th or tenth.
 */
function isSize({ size }: SaidLine, { width, height }: { width: number, height: number }): boolean {
  const [short, long] = [Math.min(width, height), Math.max(width, height)]
  return size !== undefined && Math.abs(size[0] - short) < WRITTEN && Math.abs(size[1] - long) < WRITTEN
}
const WRITTEN = 250_000

/** Labels: one for every bag that something is in and one for every kit, with their names. */
export function labelDisagreements({ batch, said: { bags, labels } }: Audited): Disagreement[] {
  const filled = bags.filter(({ kits }) => kits.length > 0)
  const title = (card: string) => batch.cards.find(({ key }) => key === card)?.title ?? card
  const found: Disagreement[] = []
  filled.forEach(({ label, kits }, at) => {
    const text = (labels.bags[at] ?? []).join('\n')
    const names = label.split(', ')
    if (![...names, ...kits.map(({ card }) => title(card))].every(name => text.includes(name)))
      found.push({ where: 'Labels', problem: `none says what ${label} holds` })
  })
  const kits = filled.reduce((sum, { kits }) => sum + kits.length, 0)
  if (labels.bags.length !== filled.length)
    found.push({ where: 'Labels', problem: `${labels.bags.length} for ${filled.length} bags` })
  if (labels.kits.length !== kits) found.push({ where: 'Labels', problem: `${labels.kits.length} for ${kits} kits` })
  return found
}

/** Pieces that lie in a bag by themselves, and strips. */
export function piecesDue({ batch, recipes }: Audited, { bag, kits }: { bag: string, kits: SaidKit[] }): number {
  return kits.reduce((sum, kit) => sum + kit.strips.length
    + dueIn(batch, recipes, kit, bag).reduce((all, { level, count }) => all + (isCut(level) ? count : 0), 0), 0)
}

/** The packing check counts what lies in every bag. */
export function packingDisagreements(audited: Audited): Disagreement[] {
  const { bags, packing } = audited.said
  return bags.filter(({ kits }) => kits.length > 0).flatMap((bag): Disagreement[] => {
    const [said, due] = [packing.find(({ label }) => label === bag.label)?.pieces, piecesDue(audited, bag)]
    return said === due
      ? []
      : [{ where: 'Packing check', problem: `${bag.label} counts ${said ?? 'nothing'} instead of ${due}` }]
  })
}
