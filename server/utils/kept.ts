import { Op } from 'sequelize'
import { Kept } from '../database/models'
import { endBegun } from './begun'

/** Characters of everything that is kept, and how many answers; what was asked for longest ago goes first. */
const MOST = { size: 200_000_000, answers: 20_000 }
/** Answers kept between two looks at how much there is. */
const LOOK_EVERY = 100
/** Answers that go at once. */
const AT_ONCE = 500

let since = LOOK_EVERY

const today = () => new Date().toISOString().slice(0, 10)

/** The texts under some identifiers; those that are not there are left out. */
export async function keptUnder(ids: string[]): Promise<Record<string, string>> {
  useDatabase()
  return await keptTexts(ids)
}

/** The same, where the database is at hand. */
export async function keptTexts(ids: string[]): Promise<Record<string, string>> {
  const rows = await Kept.findAll({ where: { id: ids } })
  const old = rows.filter(({ used }) => used !== today()).map(({ id }) => id)
  if (old.length > 0) await Kept.update({ used: today() }, { where: { id: old } })
  return Object.fromEntries(rows.map(({ id, text }) => [id, text]))
}

/** Keeps a text; every now and then what was not asked for longest makes room. */
export async function keepUnder(id: string, text: string): Promise<void> {
  useDatabase()
  await Kept.upsert({ id, text, size: text.length, used: today() })
  endBegun(id)
  since += 1
  if (since < LOOK_EVERY) return
  since = 0
  await makeRoom()
}

/** Removes what was asked for longest ago until the rest is within bounds. */
export async function makeRoom(most = MOST): Promise<void> {
  for (;;) {
    const [size, answers] = [Number(await Kept.sum('size')), await Kept.count()]
    if (size <= most.size && answers <= most.answers) return
    const oldest = await Kept.findAll({ attributes: ['id', 'size'], order: ['used', 'id'], limit: AT_ONCE })
    let [rest, left] = [size, answers]
    const gone: string[] = []
    for (const { id, size: own } of oldest) {
      if (rest <= most.size && left <= most.answers) break
      gone.push(id)
      rest -= own
      left -= 1
    }
    await Kept.destroy({ where: { id: { [Op.in]: gone } } })
  }
}
