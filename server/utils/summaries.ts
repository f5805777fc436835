import type { WhereOptions } from 'sequelize'
import { Op } from 'sequelize'
import type { ClassSummary } from '../../core/batch'
import { summaryOf } from '../../core/batch'
import { namedPapers } from '../../core/document'
import { StudioClass, StudioPaper } from '../database/models'
import { classFrom, paperFrom } from './documents'
import { holding } from './search'

/** What a list of classes shows: a stretch of those that are asked for, and how many there are. */
export interface ClassList {
  total: number
  classes: ({ id: number } & ClassSummary)[]
}

/** Which classes are asked for. */
export interface ClassQuery {
  /** Part of the title. */
  search: string
  /** On or after `today`, before it, or both. */
  when: 'coming' | 'past' | 'all'
  today: string
  offset: number
  limit: number
}

/** Classes on a page whose figures are worked out while somebody waits; the others show the figures from before for a moment. */
const AT_ONCE = 5

/** A stretch of the list of classes: what is coming up by day, what is past the latest first. */
export async function listClasses({ search, when, today, offset, limit }: ClassQuery): Promise<ClassList> {
  const where: WhereOptions = {
    [Op.and]: [...holding('title', search), when === 'all' ? {} : { day: when === 'coming' ? { [Op.gte]: today } : { [Op.lt]: today } }],
  }
  const way = when === 'past' ? 'DESC' : 'ASC'
  const [total, rows] = await Promise.all([
    StudioClass.count({ where }),
    StudioClass.findAll({
      attributes: ['id', 'title', 'day', 'summary', 'stale'],
      where,
      order: [['day', way], ['id', way]],
      offset,
      limit,
    }),
  ])
  const stale = rows.filter(({ stale }) => stale !== null)
  const fresh = new Map<number, ClassSummary>()
  for (const { id } of [...stale].sort((a, b) => Number(a.summary !== null) - Number(b.summary !== null)).slice(0, AT_ONCE)) {
    const summary = await freshen(Number(id))
    if (summary) fresh.set(Number(id), summary)
  }
  if (stale.length > AT_ONCE) freshenAll()
  return {
    total,
    classes: rows.map(row => ({ id: Number(row.id), ...(fresh.get(Number(row.id)) ?? row.summary ?? unknown(row)) })),
  }
}

/** What is known of a class before its figures are worked out. */
const unknown = ({ title, day }: StudioClass): ClassSummary => ({
  title, date: day, units: 'inch', seats: 0, spares: 0, delivery: 'in person', cards: [], bags: 0, pieces: 0, stops: 0,
  next: { station: 'cards', words: '…' }, short: [], pending: true,
})

/** Works the figures of a class out and keeps them, unless they have changed meanwhile; nothing where the class is gone. */
async function freshen(id: number): Promise<ClassSummary | undefined> {
  const row = await StudioClass.findByPk(id)
  if (!row) return undefined
  const document = classFrom(row.document)
  const papers = await StudioPaper.findAll({ where: { key: namedPapers(document) } })
  const summary = summaryOf(document, papers.map(paper => paperFrom(paper.document)))
  if (row.stale !== null)
    await StudioClass.update({ summary, stale: null }, { where: { id, stale: row.stale }, silent: true })
  return summary
}

let running = false

/** Brings the figures of all classes up to date, one after the other, between what others ask for. */
export function freshenAll(): void {
  if (running) return
  running = true
  void (async () => {
    for (;;) {
      const next = await StudioClass.findOne({ attributes: ['id'], where: { stale: { [Op.ne]: null } }, order: [['stale', 'DESC']] })
      if (!next) break
      await freshen(Number(next.id))
      await new Promise(resolve => setTimeout(resolve, 5))
    }
  })()
    // The database is away, or a class cannot be read: the next list asks again.
    .catch(() => {})
    .finally(() => (running = false))
}
