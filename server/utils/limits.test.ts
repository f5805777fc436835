import { beforeAll, describe, expect, it, vi } from 'vitest'
import { migrations } from '../database/migrations'
import { databaseOfFile } from '../database/testing'

const database = databaseOfFile()
vi.mock('./database', () => ({ useDatabase: () => database.sequelize }))
const { Limits, MOST, weightOf } = await import('./limits')

beforeAll(() => migrations(database.sequelize).up(), 60_000)

/** Asks one thing after the other until it is told to wait; answers how much it was let through. */
async function asked(
  limits: InstanceType<typeof Limits>, address: string, weight: number, tries: number,
): Promise<number> {
  for (let times = 0; times < tries; times++)
    if ((await limits.wait(address, weight)) !== undefined) return times * weight
  return tries * weight
}

describe('what one address may ask for', () => {
  it('is weighed by the work it makes', () => {
    const weigh = (method: string, url: string, length?: string) =>
      weightOf({ method, url, headers: length === undefined ? {} : { 'content-length': length } })
    expect([
      weigh('GET', '/api/classes?x=/student'), weigh('GET', '/api/classes/1/student?seat=1'),
      weigh('POST', '/api/edits', '2000'),
    ]).toEqual([1, 31, 6])
    expect(weigh('POST', '/api/edits', '1200000')).toBe(125)
    expect(weigh('POST', '/api/archive', '64000000')).toBeLessThan(MOST / 4)
    expect([weigh('POST', '/api/edits', 'many'), weigh('POST', '/api/edits', '-5')]).toEqual([5, 5])
  })

  it('is more than people do, and less than a loop does', async () => {
    const limits = new Limits()
    // Forty things a second from behind one address.
    expect(await asked(limits, 'people', 1, 400)).toBe(400)
    expect(await asked(limits, 'loop', 5, 10_000)).toBeLessThanOrEqual(MOST)
    expect(await limits.wait('loop', 1)).toBeGreaterThan(0)
    expect(await limits.wait('somebody else', 1)).toBeUndefined()
  })

  it('are a few pages at a time, and another one when one is made', () => {
    const limits = new Limits()
    const ask = (address = 'one') => limits.page(address, '/api/classes/1/student?seat=1')
    const made = [ask(), ask(), ask()]
    expect([made.every(Boolean), ask(), limits.page('one', '/api/classes/1') !== undefined, ask('other') !== undefined])
      .toEqual([true, undefined, true, true])
    made[0]!()
    expect([ask() !== undefined, ask()]).toEqual([true, undefined])
  })

  it('is counted over all instances', async () => {
    const [one, other] = [new Limits(400), new Limits(400)]
    expect(await asked(one, 'wanderer', 10, 39)).toBe(390)
    expect(await asked(other, 'wanderer', 10, 39)).toBeLessThan(100)
  })

  it('is counted by each instance where the database is away', async () => {
    const limits = new Limits(300)
    const query = vi.spyOn(database.sequelize, 'query').mockRejectedValue(new Error('away'))
    expect(await asked(limits, 'patient', 10, 100)).toBeLessThanOrEqual(300)
    query.mockRestore()
  })
})
