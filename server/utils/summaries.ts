import { LRUCache } from 'lru-cache'
import type { Transaction } from 'sequelize'
import type { ClassSummary } from '../../core/batch'
import { summaryOf } from '../../core/batch'
import { StudioClass, StudioPaper } from '../database/models'
import { shelf } from './classes'
import { classFrom } from './documents'

/** Classes whose figures are remembered. */
const MOST = 5000
const known = new LRUCache<string, ClassSummary>({ max: MOST })

/** Key figures of every class, by number. They are worked out once for each state of a class and of the shelf. */
export async function summaries(transaction: Transaction): Promise<({ id: number } & ClassSummary)[]> {
  const [count, newest] = await Promise.all([
    StudioPaper.count({ transaction }),
    StudioPaper.max<number | null, StudioPaper>('position', { transaction }),
  ])
  const rows = await StudioClass.findAll({ attributes: ['id', 'position'], transaction })
  const keyed = rows.map(({ id, position }) => ({ id: Number(id), key: `${id} ${position} ${count} ${newest}` }))
  const missing = keyed.filter(({ key }) => !known.has(key))
  const fresh = new Map<number, ClassSummary>()
  if (missing.length > 0) {
    const papers = await shelf(transaction)
    for (const { id, document } of await StudioClass.findAll({ where: { id: missing.map(({ id }) => id) }, transaction })) {
      fresh.set(Number(id), summaryOf(classFrom(document), papers))
    }
  }
  return keyed.flatMap(({ id, key }) => {
    const summary = fresh.get(id) ?? known.get(key)
    if (!summary) return []
    known.set(key, summary)
    return [{ id, ...summary }]
  })
}
