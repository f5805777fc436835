import { stringify } from 'devalue'
import highs from 'highs'
import { Op } from 'sequelize'
import { beforeAll, describe, expect, it, vi } from 'vitest'
import { prepareShared, outcomeOf, togetherProblem } from '../../core/plans'
import { prepare } from '../../core/batch'
import { plansFor, problemKey, solverOf } from '../../core/cutting'
import { keptId, keptOf } from '../../core/kept'
import { sharedToTheEnd } from '../../core/sharing'
import { plansTogether, togetherKey } from '../../core/together'
import { demoBatches } from '../../demo'
import { migrations } from '../database/migrations'
import { Awaited, StudioClass, StudioPaper, Takes } from '../database/models'
import { databaseOfFile } from '../database/testing'
import { batchOf } from '../workers/stored'
import { storedOf } from './classes'
import { importBatch } from './import'
import { keepUnder } from './kept'
import { reservedOn } from './reserved'
import { removeClass } from './rows'
import { freshenAll } from './summaries'

const database = databaseOfFile()
vi.stubGlobal('useDatabase', () => database.sequelize)
vi.stubGlobal('useRuntimeConfig', () => ({ public: { planner: '1' } }))

const TODAY = '2030-01-01'
const [, , boats] = demoBatches(new Date(2030, 0, 1))
const titled = (title: string, date: string) => ({ ...boats!, class: { ...boats!.class, title, date } })

/** What is reserved once all of it is worked out. */
async function settled() {
  await reservedOn(TODAY)
  await vi.waitFor(async () => {
    freshenAll()
    expect(await StudioClass.count({ where: { stale: { [Op.ne]: null } } })).toBe(0)
  }, { timeout: 30_000, interval: 200 })
  return reservedOn(TODAY)
}

beforeAll(async () => {
  await migrations(database.sequelize).up()
  await importBatch(database.sequelize, titled('First', '2030-02-01'))
  await importBatch(database.sequelize, titled('Second', '2030-02-01'))
  await importBatch(database.sequelize, titled('Taught', '2029-02-01'))
}, 60_000)

describe('what is reserved', () => {
  it('is worked out beside the lists, for what is coming up; what was taught takes nothing', async () => {
    const first = await reservedOn(TODAY)
    expect([first.classes.map(({ known }) => known), first.reserved, first.pending])
      .toEqual([['not yet', 'not yet'], [], true])
    const { classes, reserved, pending } = await settled()
    expect(classes.map(({ title, known }) => [title, known])).toEqual([['First', 'about'], ['Second', 'about']])
    expect(pending).toBe(false)
    const sheets = reserved.filter(({ sort }) => sort === 'sheet')
    expect(sheets.length).toBeGreaterThan(2)
    // Two classes of one day: the one that was made first has its sheets, and both want as many.
    for (const { takes, onHand, left } of sheets) {
      expect(takes.map(take => take.class)).toEqual([classes[0]!.id, classes[1]!.id])
      expect(takes[0]!.count).toBe(takes[1]!.count)
      expect(takes[0]!.has).toBe(Math.min(onHand, takes[0]!.count))
      expect(takes[0]!.has + takes[1]!.has + left).toBe(onHand)
    }
  }, 60_000)

  it('is exact once the plans are kept, without anything being changed', async () => {
    const solve = solverOf(await highs())
    const row = await StudioClass.findOne({ where: { title: 'First' } })
    const batch = batchOf(await storedOf(row!.id))
    const keep = (kind: Parameters<typeof keptOf>[0], key: string, answer: unknown) =>
      keepUnder(keptId(keptOf(kind, '1'), key), stringify(answer))
    const { sharing } = prepare(batch)
    if (sharing) await keep('sharing', sharing.key, sharedToTheEnd(sharing.problem, solve))
    const alone = await Promise.all(prepareShared(batch, solve).papers.map(async (entry) => {
      const plans = plansFor(entry.problem, solve)
      await keep('plans', problemKey(entry.problem), plans)
      return outcomeOf(entry, plans, batch)
    }))
    const problem = togetherProblem(alone, batch)
    if (problem) await keep('together', togetherKey(problem), plansTogether(problem, solve))
    const { classes, reserved } = await settled()
    expect(classes.map(({ known }) => known)).toEqual(['planned', 'planned'])
    expect(await Awaited.count({ where: { classId: classes.map(({ id }) => id) } })).toBe(0)
    const wanted = alone.flatMap(({ paper, sheets }) =>
      sheets.flatMap(({ key, needed }) => (needed > 0 ? [[paper.key, key, needed]] : [])))
    const found = reserved.filter(({ sort }) => sort === 'sheet')
      .map(({ item, stock, takes }) => [item, stock, takes[0]!.count])
    expect(found.sort()).toEqual(wanted.sort())
  }, 60_000)

  it('does not wait for an answer that is kept and does not hold', async () => {
    const row = await StudioClass.findOne({ where: { title: 'Taught' } })
    await StudioClass.update({ day: '2030-03-01' }, { where: { id: row!.id } })
    await database.sequelize.query('UPDATE kept SET text = \'[1]\'')
    await StudioClass.update({ stale: 1 }, { where: { id: row!.id } })
    const { classes } = await settled()
    expect(classes.at(-1)!.known).toBe('about')
    expect(await Awaited.count({ where: { classId: row!.id } })).toBe(0)
    expect((await reservedOn(TODAY)).pending).toBe(false)
    await StudioClass.update({ day: '2029-02-01' }, { where: { id: row!.id } })
  }, 60_000)

  it('is free again once a class is gone', async () => {
    const row = await StudioClass.findOne({ where: { title: 'First' } })
    await database.sequelize.transaction(transaction => removeClass(row!, transaction))
    expect(await Takes.count({ where: { classId: row!.id } })).toBe(0)
    const { classes, reserved } = await reservedOn(TODAY)
    expect(classes.map(({ title }) => title)).toEqual(['Second'])
    expect(reserved.every(({ takes }) => takes.length === 1)).toBe(true)
  })

  it('adds up over 200 classes and 5,000 papers', async () => {
    const papers = Array.from({ length: 5000 }, (_, at) => ({
      ...boats!.papers[0]!, key: `paper-${at}`, name: `Paper ${at}`,
      stocks: [{ key: 's', width: '210 mm', height: '297 mm', onHand: at % 7, pack: 1, price: 10 }], offcuts: [],
    }))
    await StudioPaper.bulkCreate(papers.map(({ key, name, kind, ...paper }) =>
      ({ key, name, kind, position: 1, document: { version: 0, key, name, kind, ...paper } })))
    await StudioPaper.sequelize!.query('UPDATE papers SET document = JSON_SET(document, "$.version", ?)', {
      replacements: [boats!.version],
    })
    const before = await StudioClass.findOne({ where: { title: 'Second' } })
    for (let at = 0; at < 200; at++) {
      const made = await StudioClass.create({
        document: before!.document, position: 1, title: `Many ${at}`,
        day: `2031-01-${String(at % 28 + 1).padStart(2, '0')}`,
      })
      await Takes.create({
        classId: made.id, missing: [], planned: true,
        takes: Array.from({ length: 10 }, (_, own) => ({
          sort: 'sheet' as const, item: `paper-${(at * 37 + own * 11) % 5000}`, stock: 's', name: '', count: own + 1,
          ordered: 0, price: null,
        })),
      })
    }
    const { classes, reserved } = await reservedOn(TODAY)
    expect(classes.length).toBe(201)
    const many = reserved.filter(({ item }) => item.startsWith('paper-'))
    expect(many.reduce((sum, { takes }) => sum + takes.reduce((own, { count }) => own + count, 0), 0)).toBe(200 * 55)
    for (const { takes, onHand, left, toBuy } of many) {
      const wanted = takes.reduce((sum, { count }) => sum + count, 0)
      expect([left, toBuy]).toEqual([Math.max(0, onHand - wanted), Math.max(0, wanted - onHand)])
    }
  }, 60_000)
})
