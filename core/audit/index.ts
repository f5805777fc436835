import type { KitThing, KitWork, Audited, Disagreement } from './model'
import { dueIn, isCut, isFoldedAlready, profileIn } from './bags'
import { cuttingDisagreements, sheetDisagreements } from './cutting'
import { bagDisagreements, labelDisagreements, listDisagreements, packingDisagreements, piecesDue } from './packed'

export type {
  Audited, Disagreement, KitPart, KitThing, KitWork, Recipes, Said, SaidCutting, SaidKit, SaidLine,
} from './model'
export { lineReader } from './lines'
export type { LineReader } from './lines'

/**
 * Counts a class a second time, from its document and the pieces of one kit of each card, and compares everything that
 * was said of it: bags, demand, plans, lists, labels, packing check, shopping and tasks. Shares no code with what
 * worked these out.
 * @returns what does not agree; nothing where all does
 */
export const disagreements = (audited: Audited): Disagreement[] => [
  ...bagDisagreements(audited),
  ...cuttingDisagreements(audited),
  ...listDisagreements(audited),
  ...labelDisagreements(audited),
  ...packingDisagreements(audited),
  ...sheetDisagreements(audited),
  ...thingDisagreements(audited),
  ...taskDisagreements(audited),
]

const plainName = (name: string): string => name.toLowerCase().replace(/[^a-z0-9]+/g, '')

/**
 * Things that are bought are asked for as often as kits take them; bags and labels once for every bag that is filled.
 */
function thingDisagreements({ recipes, said: { bags, over, purchases, uses } }: Audited): Disagreement[] {
  const due = new Map<string, { name: string, amount: number }>()
  const of = ({ count, length }: KitThing) => count * (length ?? 1)
  for (const { card } of [...bags.flatMap(({ kits }) => kits), ...over]) {
    for (const thing of recipes.get(card)?.things ?? []) {
      const key = plainName(thing.name)
      due.set(key, { name: thing.name, amount: (due.get(key)?.amount ?? 0) + of(thing) })
    }
  }
  const filled = bags.filter(({ kits }) => kits.length > 0).length
  const lines = purchases.filter(({ sort }) => sort === 'supply')
  const found = [...due].flatMap(([key, { name, amount }]): Disagreement[] => {
    // The maker may call it otherwise in the table.
    const said = lines.filter(line => plainName(line.name) === key || plainName(line.item) === key)
      .reduce((sum, { needed }) => sum + needed, 0)
    return said === amount ? [] : [{ where: 'Shopping list', problem: `${name}: ${said} instead of ${amount}` }]
  })
  for (const use of ['bag', 'label']) {
    const [first] = [...uses].filter(([, of]) => of === use)
    const said = lines.find(({ item }) => item === first?.[0])?.needed ?? 0
    if (first && said !== filled)
      found.push({ where: 'Shopping list', problem: `${use}s: ${said} instead of ${filled}` })
  }
  return found
}

/** Levels at which each work that is anybody's is done. */
const DONE_AT: Record<string, string[]> = { 'die cut': ['die cut', 'stamped', 'assembled'],
  'punch': ['die cut', 'stamped', 'assembled'] }

/** Whether a work on a piece that is cut is done by whoever prepares the class. */
function isBefore({ technique, by, isFlat }: KitWork, level: string): boolean {
  if (by === 'instructor') return isFlat || level === 'assembled'
  return by === 'either' && isFlat && (DONE_AT[technique] ?? ['stamped', 'assembled']).includes(level)
}

/** Times that each work is done on the pieces of all kits. */
function taskDisagreements(audited: Audited): Disagreement[] {
  const { batch, recipes, said: { bags, over, tasks } } = audited
  const due = new Map<string, number>()
  const add = (name: string, times: number) => times > 0 && due.set(name, (due.get(name) ?? 0) + times)
  const kits = [...bags.flatMap(({ bag, kits }) => kits.map(kit => ({ kit, bag: bag as string | undefined }))),
    ...over.map(kit => ({ kit, bag: undefined }))]
  for (const { kit, bag } of kits) {
    const isPrecut = profileIn(batch, bag)?.adhesive === 'precut'
    for (const { name, by, times } of recipes.get(kit.card)?.envelope ?? []) add(name, by === 'student' ? 0 : times)
    for (const { part, count, level } of dueIn(batch, recipes, kit, bag)) {
      const { scores, joints } = part
      if (!isCut(level)) continue
      const paper = kit.pieces.find(({ key }) => key === part.key)?.paper ?? ''
      if (level !== 'cut') add('Score', count * (isFoldedAlready(batch, paper, part) ? scores - 1 : scores))
      const works = (part.works ?? []).filter(work => isBefore(work, level))
      for (const { name, times } of works) add(name, count * times)
      if (level === 'die cut' && works.length === 0) add('Die cut', count)
      if (level === 'stamped' && works.length === 0) add('Stamp', count)
      if (level === 'assembled') add('Put on', count)
      else if (isPrecut) add('Cut tape and count foam for', count * joints)
    }
  }
  add('Pack', bags.reduce((sum, bag) => sum + piecesDue(audited, bag), 0))
  const names = new Set([...due.keys(), ...tasks.map(({ name }) => name)])
  return [...names].flatMap((name): Disagreement[] => {
    const [said, times] = [
      tasks.filter(task => task.name === name).reduce((sum, task) => sum + task.times, 0), due.get(name) ?? 0,
    ]
    return said === times ? [] : [{ where: 'To do', problem: `${name}: ${said} × instead of ${times} ×` }]
  })
}
