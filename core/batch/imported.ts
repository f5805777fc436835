import type { Batch, ClassDocument, PaperEntry } from '../document'
import { BOUNDS, backOf, freeKey, freeTitle, isBack, isSame, paperOfSide, withChoices } from '../document'
import { lengthFrom } from '../lengths'

/** What a paper is, without how much of it lies on the shelf. */
const nature = ({
  name, kind, weight, colour, motif, upright, grain, coating, core, folded, pictures, back, holds,
}: PaperEntry) => [
  name, kind, weight, colour, motif, upright, grain, coating, core, folded, pictures, back.differs ? back : null, holds,
]

/** Whether a paper of the shelf is one of the file that came in under a new key before. */
function cameAs(paper: PaperEntry, { key, name, ...other }: PaperEntry): boolean {
  const isNumbered = (text: string, stem: string, gap: string) =>
    text.startsWith(stem + gap) && /^\d+$/.test(text.slice(stem.length + gap.length))
  return isNumbered(key, paper.key, '-') && (name === paper.name || isNumbered(name, paper.name, ' '))
    && isSame(nature({ ...other, key, name: paper.name }), nature(paper))
}

/**
 * A class from elsewhere as it fits a shelf. A paper that the shelf has already is used
 * as it lies there; one of the same key but another nature comes in under a new key, so
 * that neither is lost.
 * @returns the class, and the papers that the shelf has to take in
 */
export function fittedTo(
  shelf: PaperEntry[], { papers, ...document }: Batch,
): { document: ClassDocument, added: PaperEntry[] } {
  const added: PaperEntry[] = []
  const all = () => [...shelf, ...added]
  /** Paper on the shelf for each key in the file. */
  const found = new Map<string, PaperEntry>()
  const keyOf = (key: string): string => {
    const own = found.get(paperOfSide(key))?.key ?? paperOfSide(key)
    return isBack(key) ? backOf(own) : own
  }
  // What a pad holds is known by the keys of the shelf once its papers are.
  for (const entry of [...papers].sort((a, b) => Number(a.kind === 'pad') - Number(b.kind === 'pad'))) {
    const paper = { ...entry, holds: entry.holds.map(sheet => ({ ...sheet, key: keyOf(sheet.key) })) }
    const same = all().find(({ key }) => key === paper.key)
    const known = same && (isSame(nature(same), nature(paper)) ? same : all().find(other => cameAs(paper, other)))
    if (known) {
      found.set(paper.key, known)
      continue
    }
    const taken = same
      ? {
          ...paper,
          key: freeKey(
            paper.key,
            all().map(({ key }) => key),
          ),
          name: freeTitle(
            paper.name,
            all().map(({ name }) => name),
          ),
        }
      : paper
    added.push(taken)
    found.set(paper.key, taken)
  }
  return {
    added: added.map(paper => ({ ...paper, standsIn: [...new Set(paper.standsIn.map(keyOf))] })),
    document: {
      ...document,
      cards: document.cards.map(card =>
        withChoices(card, papers =>
          Object.fromEntries(Object.entries(papers).map(([part, key]) => [part, keyOf(key)])),
        ),
      ),
      roster: document.roster.map(seat => ({
        ...seat, prints: Object.fromEntries(Object.entries(seat.prints).map(([part, key]) => [part, keyOf(key)])),
      })),
      pools: document.pools.map(pool => ({ ...pool, papers: [...new Set(pool.papers.map(keyOf))] })),
      cutting: document.cutting.map((entry) => {
        const supply = supplyKeys(
          papers.find(({ key }) => key === entry.paper),
          found.get(entry.paper),
        )
        return {
          ...entry,
          paper: keyOf(entry.paper),
          without: [...new Set(entry.without.map(supply))].slice(0, BOUNDS.stocks),
          also: [...new Set(entry.also.map(supply))].slice(0, BOUNDS.stocks),
          layouts: entry.layouts.map(layout => ({ ...layout, supply: supply(layout.supply) })),
        }
      }),
    },
  }
}

/** Sheet formats and offcuts of the file by those of the same size on the shelf, which may have other keys. */
function supplyKeys(from?: PaperEntry, to?: PaperEntry): (key: string) => string {
  const keys = new Map<string, string>()
  for (const kind of ['stocks', 'offcuts'] as const) {
    for (const { key, width, height } of from?.[kind] ?? []) {
      const same = to?.[kind].find(
        other => lengthFrom(other.width) === lengthFrom(width) && lengthFrom(other.height) === lengthFrom(height),
      )
      if (same) keys.set(key, same.key)
    }
  }
  return key => keys.get(key) ?? key
}
