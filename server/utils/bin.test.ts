import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Batch, PaperEntry } from '../../core/document'
import { demoBatches } from '../../demo'
import { migrations } from '../database/migrations'
import { Binned, PaperUse, StudioClass, StudioPaper } from '../database/models'
import { databaseOfFile } from '../database/testing'
import { REST, binClass, binned, broughtBack, emptyBin } from './bin'
import { classOf } from './classes'
import { classInRow } from './documents'
import { applyEdit } from './edits'
import { newMark, recorded } from './recorded'
import { importBatch } from './import'
import { removeClass } from './rows'

// What the server's framework makes of a refusal.
vi.stubGlobal('createError', (refusal: object) => Object.assign(new Error('refused'), refusal))

const [, TIDE] = demoBatches(new Date(2030, 0, 1)) as [never, Batch]
const database = databaseOfFile()

beforeEach(async () => {
  await database.clear()
  await migrations(database.sequelize).up()
})

const add = async (batch: Batch) =>
  importBatch(database.sequelize, batch)
const remove = async (id: number) =>
  (await recorded(database.sequelize, 'delete', { token: newMark() }, async (transaction) => {
    const { row, document } = await classOf(id, { transaction })
    const bin = await binClass(id, document, transaction)
    await removeClass(row, transaction)
    return { changes: [], answer: bin }
  })).answer!
const back = (bin: number) =>
  recorded(database.sequelize, 'bring back', { token: newMark() }, (transaction, position) =>
    broughtBack(bin, transaction, position),
  )
const removePaper = (key: string) =>
  applyEdit(database.sequelize, JSON.stringify({
    token: newMark(), label: 'off', class: null, since: 999,
    patches: [{ op: 'remove', path: ['papers', key] }],
  }))
const status = (sent: Promise<unknown>): Promise<number> =>
  sent.then(() => 200, (error: { statusCode?: number }) => error.statusCode ?? 500)

describe('the bin', () => {
  it('gives a class back under its number, with the papers that left the shelf meanwhile', async () => {
    const id = await add(TIDE)
    const before = await StudioClass.findByPk(id)
    const bin = await remove(id)
    expect([await StudioClass.count(), await PaperUse.count()]).toEqual([0, 0])
    await removePaper('kelp')
    await removePaper('herring')
    const rests = (await binned()).map(({ title, days }) => [title, days])
    expect(rests).toEqual([['Herring', REST], ['Kelp', REST], ['Tide and Lantern', REST]])

    expect((await back(bin)).answer).toEqual({ entity: 'class', id: String(id), title: 'Tide and Lantern' })
    expect(classInRow((await StudioClass.findByPk(id))!.document)).toEqual(classInRow(before!.document))
    expect((await StudioPaper.findByPk('kelp'))?.document).toMatchObject({ key: 'kelp', weight: 250 })
    expect(await binned()).toEqual([])
    expect(await status(removePaper('kelp'))).toBe(409)
  })

  it('gives back once, however often it is asked at the same moment', async () => {
    const bin = await remove(await add(TIDE))
    const answers = await Promise.all(Array.from({ length: 20 }, () => status(back(bin))))
    expect(answers.sort()).toEqual([200, ...Array<number>(19).fill(404)])
    expect(await StudioClass.count()).toBe(1)
  })

  it('gives back a class of seventy papers and of a megabyte whole', async () => {
    const paper = TIDE.papers[0] as PaperEntry
    const papers = Array.from({ length: 70 }, (_, index) => ({ ...paper, key: `more-${index}` }))
    const [card] = TIDE.cards
    const cards = Array.from({ length: 35 }, (_, index) => ({
      ...card!,
      key: `card-${index}`,
      papers: { 'base': `more-${2 * index}`, 'mat-a': `more-${2 * index + 1}` },
    }))
    const id = await add({ ...TIDE, cards, cutting: [], papers })
    const row = await StudioClass.findByPk(id)
    const large = { ...row!.document, notes: 'x'.repeat(1_800_000) }
    await row!.update({ document: large })
    const bin = await remove(id)
    await back(bin)
    expect((await StudioClass.findByPk(id))?.document).toEqual(large)
  })

  it('forgets after thirty days, and not before', async () => {
    await remove(await add(TIDE))
    await emptyBin(Date.now() + (REST - 1) * 86_400_000)
    expect(await Binned.count()).toBe(1)
    await emptyBin(Date.now() + (REST + 1) * 86_400_000)
    expect(await Binned.count()).toBe(0)
    // A server that runs for months does so with every deletion.
    await remove(await add(TIDE))
    await Binned.update({ deletedAt: new Date(Date.now() - (REST + 1) * 86_400_000) }, { where: {} })
    await remove(await add(TIDE))
    expect(await Binned.count()).toBe(1)
  })

  it('does not keep a paper that is on the shelf again', async () => {
    await add({ ...TIDE, cards: [], cutting: [] })
    await removePaper('kelp')
    const kelp = TIDE.papers.find(({ key }) => key === 'kelp')
    await applyEdit(database.sequelize, JSON.stringify({
      token: newMark(), label: 'undo', class: null, since: 999,
      patches: [{ op: 'add', path: ['papers'], entry: { ...kelp! }, after: null }],
    }))
    expect(await binned()).toEqual([])
  })
})

describe('fifty at once', () => {
  it('are answered what happened: a paper leaves the shelf, or a class is given it, never both', async () => {
    const id = await add({ ...TIDE, cards: TIDE.cards.map(card => ({ ...card, papers: {} })), cutting: [] })
    const [card] = TIDE.cards
    const keys = TIDE.papers.map(({ key }) => key)
    const use = (index: number) =>
      applyEdit(database.sequelize, JSON.stringify({
        token: newMark(), label: 'use', class: id, since: 1,
        patches: [
          { op: 'set', path: ['cards', card!.key, 'papers', `part-${index}`], value: keys[index % keys.length] },
        ],
      }))
    const answers = await Promise.all(
      Array.from({ length: 50 }, (_, index) =>
        status(index % 2 === 0 ? removePaper(keys[index % keys.length]!) : use(index)),
      ),
    )
    const document = classInRow((await StudioClass.findByPk(id))!.document)
    const named = Object.values(document.cards[0]!.papers)
    const there = (await StudioPaper.findAll()).map(({ key }) => key)
    expect(named.filter(key => !there.includes(key))).toEqual([])
    expect(named).toHaveLength(answers.filter((answer, index) => index % 2 === 1 && answer === 200).length)
    expect(keys.length - there.length).toBe(new Set(keys.filter(key => !there.includes(key))).size)
    expect((await PaperUse.findAll()).map(({ paper }) => paper).sort()).toEqual([...new Set(named)].sort())
  })

  it('delete a class once, and no change of it is answered as made afterwards', async () => {
    const id = await add(TIDE)
    const change = (seats: number) =>
      applyEdit(database.sequelize, JSON.stringify({
        token: newMark(), label: 'seats', class: id, since: 999,
        patches: [{ op: 'set', path: ['class', 'seats'], value: seats }],
      }))
    const answers = await Promise.all(
      Array.from({ length: 50 }, (_, index) => status(index % 5 === 0 ? remove(id) : change(index + 1))),
    )
    expect(answers.filter((answer, index) => index % 5 === 0 && answer === 200)).toHaveLength(1)
    expect(await StudioClass.count()).toBe(0)
    const [row] = await Binned.findAll()
    const made = answers.map((answer, index) => (index % 5 !== 0 && answer === 200 ? index + 1 : 0))
    // What was deleted is the class as the last change that was answered left it.
    const seats = classInRow(row!.document).class.seats
    expect(made.some(number => number > 0) ? made : [TIDE.class.seats]).toContain(seats)
  })
})

it('a class that came in again from a file is not in the bin any more, another of its name is', async () => {
  const [batch] = demoBatches(new Date(2030, 0, 1))
  const { papers, ...document } = batch!
  await database.sequelize.transaction(async (transaction) => {
    await binClass(77, document, transaction)
    await binClass(78, { ...document, class: { ...document.class, seats: document.class.seats + 1 } }, transaction)
  })
  const before = (await binned()).filter(({ title }) => title === document.class.title).length
  await importBatch(database.sequelize, { ...document, papers })
  expect((await binned()).filter(({ title }) => title === document.class.title)).toHaveLength(before - 1)
})
