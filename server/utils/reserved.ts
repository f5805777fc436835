import { Op, QueryTypes } from 'sequelize'
import type { PaperEntry } from '../../core/document'
import type { ComingClass, Reserved, TakesSoFar } from '../../core/reserved'
import { reservedBy } from '../../core/reserved'
import { Awaited, StudioClass, Takes } from '../database/models'
import type { Stored } from '../workers/stored'
import { checked } from './checker'
import { papersUnder } from './classes'
import { keptTexts } from './kept'

/** Times that what a class takes is worked out in a row, each time with what was wanted the time before. */
const ROUNDS = 4

/** What a class takes, from all of its plans that are kept, and which answers would make that more exact. */
export async function takesNow(stored: Stored, version: string): Promise<TakesSoFar & { awaited: string[] }> {
  const kept: Record<string, string> = {}
  for (let round = 1; ; round++) {
    const found = await checked('takes', { document: stored.document, papers: stored.papers, version, kept }, Infinity)
    const more = round < ROUNDS && found.wants.length > 0 ? await keptTexts(found.wants) : {}
    const fresh = Object.keys(more).filter(id => !(id in kept))
    // What is there and does not hold is not waited for: it would be looked at again and again.
    if (fresh.length === 0) return { ...found, awaited: found.wants.filter(id => !(id in kept)) }
    Object.assign(kept, more)
  }
}

/** Keeps what a class takes, and what would make it more exact. */
export async function keepTakes(
  classId: number, { takes, missing, wants, awaited }: TakesSoFar & { awaited: string[] },
): Promise<void> {
  await Takes.upsert({ classId, takes, missing, planned: wants.length === 0 })
  await Awaited.destroy({ where: { classId, keptId: { [Op.notIn]: ['', ...awaited] } } })
  await Awaited.bulkCreate(awaited.map(keptId => ({ keptId, classId })), { ignoreDuplicates: true })
}

/** What coming classes take from the shelf. */
export interface ReservedNow {
  classes: Omit<ComingClass, 'takes'>[]
  reserved: Reserved[]
  /** What the papers that are taken look like. */
  looks: Pick<PaperEntry, 'key' | 'colour' | 'motif' | 'scale'>[]
  /** Some of it is being worked out. */
  pending: boolean
}

/** What is taken from the shelf on a day and after it, from what was worked out last: nothing is planned for it. */
export async function reservedOn(today: string): Promise<ReservedNow & { coming: ComingClass[] }> {
  await markAwaited()
  const rows = await StudioClass.findAll({
    attributes: ['id', 'title', 'day', 'stale'],
    where: { day: { [Op.gte]: today } },
    order: [['day', 'ASC'], ['id', 'ASC']],
  })
  const takes = new Map((await Takes.findAll({ where: { classId: rows.map(({ id }) => id) } }))
    .map(row => [Number(row.classId), row]))
  const coming = rows.map(({ id, title, day }): ComingClass => {
    const own = takes.get(Number(id))
    return {
      id: Number(id), title, day, takes: own?.takes ?? [], missing: own?.missing ?? [],
      known: !own ? 'not yet' : own.planned ? 'planned' : 'about',
    }
  })
  const keys = new Set(coming.flatMap(one => one.takes.filter(({ sort }) => sort !== 'supply').map(({ item }) => item)))
  const papers = await papersUnder([...keys])
  return {
    classes: coming.map(({ takes: _, ...one }) => one),
    reserved: reservedBy(coming, papers),
    looks: papers.map(({ key, colour, motif, scale }) => ({ key, colour, motif, scale })),
    pending: rows.some(({ stale }) => stale !== null),
    coming,
  }
}

/** Classes of which a plan was kept that was wanted are looked at anew. */
async function markAwaited(): Promise<void> {
  const ids = (await StudioClass.sequelize?.query<{ id: number }>(
    'SELECT DISTINCT awaited.class_id AS id FROM awaited JOIN kept ON kept.id = awaited.kept_id',
    { type: QueryTypes.SELECT },
  ) ?? []).map(({ id }) => id)
  if (ids.length === 0) return
  await StudioClass.sequelize?.query(
    'UPDATE classes SET stale = position WHERE id IN (:ids) AND stale IS NULL', { replacements: { ids } },
  )
  await StudioClass.sequelize?.query(
    'DELETE FROM awaited WHERE class_id IN (:ids) AND kept_id IN (SELECT id FROM kept)', { replacements: { ids } },
  )
}
