import type { H3Event } from 'h3'
import type { Order, Transaction, WhereOptions } from 'sequelize'
import { Op, QueryTypes } from 'sequelize'
import type { ClassDocument, PaperEntry } from '../../core/document'
import { PaperUse, Studio, StudioClass, StudioPaper } from '../database/models'
import { textOf } from '../database/models/json'
import type { Stored } from '../workers/stored'
import { classInRow, paperInRow } from './documents'
import { refusal } from './door'
import { holding } from './search'

export const GONE = 'There is no such class. It may have been deleted in another window.'

/** The number that a route is about. */
export function numberOf(event: H3Event, otherwise: string): number {
  const id = getRouterParam(event, 'id') ?? ''
  if (!/^\d{1,9}$/.test(id)) throw refusal(404, otherwise)
  return Number(id)
}

/** The number of the class that a route is about. */
export const classIdOf = (event: H3Event): number => numberOf(event, GONE)

/** A class as it is saved. */
export async function classOf(
  id: number,
  options: { transaction?: Transaction, lock?: boolean } = {},
): Promise<{ row: StudioClass, document: ClassDocument }> {
  const row = await StudioClass.findByPk(id, options)
  if (!row) throw refusal(404, GONE)
  return { row, document: classInRow(row.document) }
}

/** Cardstock first, then by name. */
const ORDER: Order = [['kind', 'ASC'], ['name', 'ASC'], ['key', 'ASC']]
const entries = (rows: StudioPaper[]): PaperEntry[] => rows.map(({ document }) => paperInRow(document))

/** A paper that lies in a pad: what it is called and looks like. */
type Held = Pick<PaperEntry, 'key' | 'name' | 'colour' | 'motif' | 'scale'>

/** The papers in some pads, as far as they are not among them. */
async function heldIn(papers: PaperEntry[], transaction?: Transaction): Promise<Held[]> {
  const here = new Set(papers.map(({ key }) => key))
  const keys = papers.flatMap(({ holds }) => holds.map(({ key }) => key)).filter(key => !here.has(key))
  if (keys.length === 0) return []
  return entries(await StudioPaper.findAll({ where: { key: keys }, transaction }))
    .map(({ key, name, colour, motif, scale }) => ({ key, name, colour, motif, scale }))
}

/** A stretch of the shelf, and how many papers there are of what is asked for. */
export async function listPapers(
  { search, kind, offset, limit }: { search: string, kind: string, offset: number, limit: number },
  transaction?: Transaction,
): Promise<{ total: number, papers: PaperEntry[], held: Held[] }> {
  const where: WhereOptions = { [Op.and]: [...holding('words', search), kind === 'all' ? {} : { kind }] }
  const total = await StudioPaper.count({ where, transaction })
  const papers = entries(await StudioPaper.findAll({ where, order: ORDER, offset, limit, transaction }))
  return { total, papers, held: await heldIn(papers, transaction) }
}

/** Papers by their keys, as far as they are on the shelf, and the pads that they come in. */
export const papersUnder = async (keys: string[]): Promise<PaperEntry[]> =>
  (await StudioPaper.findAll({ attributes: ['document'], where: { key: await withPads(keys) }, raw: true }))
    .map(({ document }) => paperInRow(JSON.parse(String(document)) as object))

/** Papers of the shelf that a class is handed to choose from; any other is found by its name. */
const CHOICE = 200

/** The papers that are asked for and the first ones of the shelf, in its order; `more` is how many others there are. */
export async function choiceOfPapers(
  keys: string[], transaction: Transaction,
): Promise<{ papers: PaperEntry[], more: number }> {
  const first = await StudioPaper.findAll({ order: ORDER, limit: CHOICE, transaction })
  const missing = (await withPads(keys, transaction)).filter(key => !first.some(paper => paper.key === key))
  const others
    = missing.length > 0 ? await StudioPaper.findAll({ where: { key: missing }, order: ORDER, transaction }) : []
  const total = first.length < CHOICE ? first.length : await StudioPaper.count({ transaction })
  return { papers: entries([...first, ...others]), more: total - first.length - others.length }
}

/** Reads several things as they were at one moment, with the position of the last change before it. */
export const atOneMoment = <T>(read: (transaction: Transaction) => Promise<T>): Promise<T & { position: number }> =>
  useDatabase().transaction(async (transaction) => {
    const studio = await Studio.findByPk(1, { transaction })
    return { ...(await read(transaction)), position: Number(studio?.position ?? 0) }
  })

/** Keys of the papers that a class names. */
const usedBy = async (id: number, transaction?: Transaction): Promise<string[]> =>
  (await PaperUse.findAll({ attributes: ['paper'], where: { classId: id }, transaction })).map(({ paper }) => paper)

/** Keys of papers, with those of the pads that they come in. */
async function withPads(keys: string[], transaction?: Transaction): Promise<string[]> {
  if (keys.length === 0) return keys
  const pads = await StudioPaper.sequelize?.query<{ pad: string }>(
    'SELECT DISTINCT pad FROM holds WHERE paper IN (:keys)',
    { replacements: { keys }, type: QueryTypes.SELECT, transaction },
  ) ?? []
  return [...new Set([...keys, ...pads.map(({ pad }) => pad)])]
}

/** A class with all papers that it names and their pads, as they lie in their rows: nothing of it is read here. */
export async function storedOf(id: number, transaction?: Transaction): Promise<Stored & { day: string }> {
  const row = await StudioClass.findByPk(id, { attributes: ['document', 'day'], transaction })
  if (!row) throw refusal(404, GONE)
  const papers = await StudioPaper.findAll({
    where: { key: await withPads(await usedBy(id, transaction), transaction) }, order: ORDER, transaction,
  })
  return { day: row.day, document: textOf(row, 'document'), papers: papers.map(paper => textOf(paper, 'document')) }
}

/** The same as all are at one moment. */
export const storedClass = (id: number): Promise<Stored & { day: string }> =>
  atOneMoment(transaction => storedOf(id, transaction))
