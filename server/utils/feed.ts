import { Op } from 'sequelize'
import { Change, Studio } from '../database/models'
import { freshenAll } from './summaries'

/** What a window is told: the position the studio is at, and what has been changed since it was told last. */
export interface StudioNews {
  position: number
  /** `class:3`, `paper:kelp`; `*` for whatever it may be. */
  touched: string[]
}

/**
 * How often the studio is looked at while somebody listens. Milliseconds; well within the second that a change may
 * take.
 */
const PACE = 400

const listeners = new Set<(news: StudioNews) => void>()
let known = -1
let timer: ReturnType<typeof setTimeout> | undefined

/**
 * Tells what is changed in the studio, by whichever instance of Wakaru it was changed. The
 * database is the only place that is asked, and only while somebody listens.
 * @returns ends the listening
 */
export function listen(tell: (news: StudioNews) => void): () => void {
  listeners.add(tell)
  if (listeners.size === 1) {
    known = -1
    void look()
  }
  return () => listeners.delete(tell)
}

/** Looks at once, because something has just been changed here. */
export function hurry(): void {
  freshenAll()
  if (listeners.size === 0) return
  clearTimeout(timer)
  void look()
}

async function touchedBetween(after: number, until: number): Promise<string[]> {
  const changes = await Change.findAll({
    attributes: ['entity', 'entityKey'],
    where: { position: { [Op.gt]: after, [Op.lte]: until } },
  })
  return [...new Set(changes.map(({ entity, entityKey }) => `${entity}:${entityKey}`))]
}

async function look(): Promise<void> {
  clearTimeout(timer)
  if (listeners.size === 0) return
  try {
    useDatabase()
    const position = Number((await Studio.findByPk(1))?.position ?? 0)
    if (position > known) {
      // What happened before the first look may be anything: who has just asked where the studio stands may have been
      // told less.
      const touched = known < 0 ? ['*'] : await touchedBetween(known, position)
      for (const tell of listeners) tell({ position, touched })
    }
    known = Math.max(known, position)
  }
  catch {
    // The database is away; the next look may find it.
  }
  clearTimeout(timer)
  timer = setTimeout(() => void look(), PACE)
}
