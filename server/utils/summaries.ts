import type { WhereOptions } from 'sequelize'
import { Op } from 'sequelize'
import type { ClassSummary } from '../../core/kits'
import { StudioClass } from '../database/models'
import type { Stored } from '../workers/stored'
import { checked } from './checker'
import { storedOf } from './classes'
import { keepTakes, takesNow } from './reserved'
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

/**
 * A stretch of the list of classes: what is coming up by day, what is past the latest first. Nothing is worked out for
 * it.
 */
export async function listClasses({ search, when, today, offset, limit }: ClassQuery): Promise<ClassList> {
  const where: WhereOptions = {
    [Op.and]: [
      ...holding('title', search),
      when === 'all' ? {} : { day: when === 'coming' ? { [Op.gte]: today } : { [Op.lt]: today } },
    ],
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
  if (rows.some(({ stale }) => stale !== null)) freshenAll()
  return { total, classes: rows.map(row => ({ id: Number(row.id), ...shown(row) })) }
}

/**
 * The figures as they were last worked out, with what is known of the class by itself, and a mark where they are not
 * right any more.
 */
const shown = ({ title, day, summary, stale }: StudioClass): ClassSummary => ({
  ...summary ?? {
    units: 'inch', seats: 0, spares: 0, delivery: 'in person', cards: [], bags: 0, pieces: 0, stops: 0,
    next: { station: 'cards', words: 'Go to the cards' }, short: [], unknown: 'yet',
  },
  title,
  date: day,
  ...(stale !== null && { pending: true }),
})

/** Milliseconds after which an instance that took a class on is taken to have ended over it. */
const LEASE = 90_000
/** Milliseconds between two classes, and that a class rests after a change: who types changes it again at once. */
const PACE = { next: 5, rest: 1_500 }

let running = false
let later: ReturnType<typeof setTimeout> | undefined

/**
 * Brings the figures of all classes up to date, one after the other, off the thread that answers. The classes whose
 * figures are not right are the queue: whichever instance takes one on has it to itself.
 */
export function freshenAll(): void {
  if (running) return
  running = true
  void (async () => {
    for (;;) {
      const id = await takenOn()
      if (id === 'none') break
      if (id === 'resting') {
        clearTimeout(later)
        later = setTimeout(freshenAll, PACE.rest).unref()
        break
      }
      await freshen(id)
      await new Promise(resolve => setTimeout(resolve, PACE.next).unref())
    }
  })()
    // The database is away: the next list asks again.
    .catch(() => {})
    .finally(() => (running = false))
}

/** Takes the class on that was changed last, of those that rest no more and that nobody works at. */
async function takenOn(): Promise<number | 'none' | 'resting'> {
  for (;;) {
    const now = Date.now()
    const free: WhereOptions = {
      stale: { [Op.ne]: null }, takenOn: { [Op.or]: [null, { [Op.lt]: new Date(now - LEASE) }] },
    }
    const rested: WhereOptions = { [Op.or]: [{ summary: null }, { updatedAt: { [Op.lt]: new Date(now - PACE.rest) } }] }
    const next = await StudioClass.findOne({
      attributes: ['id'], where: { [Op.and]: [free, rested] }, order: [['stale', 'DESC']],
    })
    if (!next) return await StudioClass.count({ where: free }) > 0 ? 'resting' : 'none'
    const [taken] = await StudioClass.update(
      { takenOn: new Date(now) }, { where: { id: next.id, ...free }, silent: true },
    )
    if (taken > 0) return Number(next.id)
  }
}

/** Works the figures of a class out and keeps them, unless it has changed meanwhile. */
async function freshen(id: number): Promise<void> {
  const row = await StudioClass.findByPk(id, { attributes: ['title', 'day', 'summary', 'stale'] })
  if (!row || row.stale === null) return
  const { stale } = row
  const stored = await storedOf(id).catch(() => undefined)
  if (!stored) return
  // A class that takes too long is not tried again before it has changed.
  const known = await worked(stored).catch((): Partial<ClassSummary> => ({ unknown: 'too large' }))
  const takes = known.unknown ? undefined : await taken(stored).catch(() => undefined)
  if (takes) await keepTakes(id, takes)
  const summary = { ...shown(row), unknown: undefined, ...known, pending: undefined }
  await StudioClass.update({ summary, stale: null, takenOn: null }, { where: { id, stale }, silent: true })
  // What has changed meanwhile is in the queue still.
  await StudioClass.update({ takenOn: null }, { where: { id, stale: { [Op.ne]: null } }, silent: true })
}

/** However short a class is, its figures may take long. */
const worked = (stored: Stored): Promise<ClassSummary> => checked('summary', stored, Infinity)

/** What it takes from the shelf, by the plans of the planner that its pages have. */
const taken = async (stored: Stored): ReturnType<typeof takesNow> =>
  await takesNow(stored, useRuntimeConfig().public.planner)
