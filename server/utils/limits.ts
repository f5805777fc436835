import { createHash } from 'node:crypto'
import type { IncomingMessage } from 'node:http'
import { RateLimiterMemory, RateLimiterMySQL, RateLimiterRes } from 'rate-limiter-flexible'
import { REQUESTS } from '../database/requests'
import { useDatabase } from './database'

/*
 * How much one address may ask for: far more than people do, and less than a loop does. What is asked is weighed by the
 * work it makes. Each instance counts by itself and tells the database every now and then, where every other one sees
 * it.
 */

/** Seconds of one count, and the weight that an address may ask for in it unless the environment says otherwise. */
const SPAN = 10
export const MOST = 3_000
/** Weight of a change besides its size, of a page that is made here, and bytes of a body that weigh one. */
const WEIGHTS = { change: 4, page: 30, bytes: 10_000 }
const PAGES = /\/(student|pieces|pattern|file)$|^\/api\/archive$/
/** Pages that are made for one address at a time. */
const PAGES_AT_ONCE = 3
/** The database is told by so much at a time. */
const SHARE = 50

/** No request weighs more: the largest archive is let in by itself. */
const HEAVIEST = 500

/** What a request weighs. */
export function weightOf({
  method = 'GET', url = '', headers,
}: Pick<IncomingMessage, 'method' | 'url' | 'headers'>): number {
  const [path = ''] = url.split('?')
  const size = Number(headers['content-length'] ?? 0)
  const weight
    = 1
      + (method === 'GET' || method === 'HEAD' ? 0 : WEIGHTS.change)
      + (PAGES.test(path) ? WEIGHTS.page : 0)
      + (Number.isFinite(size) ? Math.ceil(Math.max(0, size) / WEIGHTS.bytes) : 0)
  return Math.min(HEAVIEST, weight)
}

/** Counts of one instance, and what of them the database has not been told. */
export class Limits {
  private readonly own: RateLimiterMemory
  private readonly untold = new Map<string, number>()
  /** Pages that are being made, by address. */
  private readonly making = new Map<string, number>()
  private all?: RateLimiterMySQL

  constructor(most = MOST) {
    this.own = new RateLimiterMemory({ points: most, duration: SPAN })
  }

  /** Seconds after which an address may ask again; nothing where it may now. */
  async wait(address: string, weight: number): Promise<number | undefined> {
    // No address is kept as it is.
    const key = createHash('sha256').update(address).digest('base64url').slice(0, 22)
    try {
      await this.own.consume(key, weight)
      await this.tell(key, weight)
    }
    catch (refused) {
      if (refused instanceof RateLimiterRes) return Math.max(1, Math.ceil(refused.msBeforeNext / 1000))
      throw refused
    }
  }

  /**
   * Whether a page may be made for an address now: one that asks for many at once does not stand before everybody
   * else's.
   * @returns says that it is made; nothing where there are enough under way
   */
  page(address: string, url: string): (() => void) | undefined {
    const [path = ''] = url.split('?')
    if (!PAGES.test(path)) return () => {}
    const before = this.making.get(address) ?? 0
    if (before >= PAGES_AT_ONCE) return undefined
    this.making.set(address, before + 1)
    return () => {
      const now = (this.making.get(address) ?? 1) - 1
      if (now > 0) this.making.set(address, now)
      else this.making.delete(address)
    }
  }

  private async tell(key: string, weight: number): Promise<void> {
    const untold = (this.untold.get(key) ?? 0) + weight
    this.untold.set(key, untold < SHARE ? untold : 0)
    if (this.untold.size > 10_000) this.untold.clear()
    if (untold >= SHARE) await this.shared().consume(key, untold)
  }

  private shared(): RateLimiterMySQL {
    const database = useDatabase()
    return (this.all ??= new RateLimiterMySQL({
      storeClient: database,
      storeType: 'sequelize',
      dbName: database.config.database ?? '',
      tableName: REQUESTS,
      tableCreated: true,
      points: this.own.points,
      duration: SPAN,
      keyPrefix: '',
      // While the database is away each instance counts for itself.
      insuranceLimiter: this.own,
    }))
  }
}
