import type { Sequelize, Transaction } from 'sequelize'
import { QueryTypes, col, fn } from 'sequelize'
import { paperOfSide } from '../../core/document'
import type { ClassDocument } from '../../core/document'
import { Change, PaperUse, Studio, StudioClass, StudioPaper } from '../database/models'
import { textOf } from '../database/models/json'
import type { EditHead, Naming, Saved, Saving } from '../workers/saving'
import { binPapers, unbinPapers } from './bin'
import { changesAfter } from './changes'
import { checked } from './checker'
import { GONE } from './classes'
import { refusal, sentence } from './door'
import { doneBefore, recorded } from './recorded'
import { anyOf } from './keys'
import { changeClass, putPapers } from './rows'

/** Characters of what others have changed that are compared; whoever has missed more reads the class anew. */
const MOST_MISSED = 4_000_000
/** So often what is to be saved is worked out before the studio is locked; then it is while all others wait. */
const BEFOREHAND = 3

/** What is to be saved, worked out from what was saved at a moment. */
interface Prepared {
  saved: Extract<Saved, { is: 'right' }>
  /** Where the class and the papers stood at that moment. */
  stood: Standing
}

/**
 * Where a class and some papers stand: the position of its last change, how many of the papers there are, and the
 * position of the last change of any of them. Every change gets a higher position than all before it.
 */
interface Standing {
  class: number
  papers: number
  changed: number
}

/** What was looked at has changed meanwhile. */
class MovedError extends Error {}

/** Applies somebody's changes of a class and of papers to what is saved now, if nobody else has changed the same. */
export async function applyEdit(sequelize: Sequelize, body: string): Promise<{ position: number }> {
  const read = await checked('edit', body, body.length)
  if (!read.ok) throw refusal(422, sentence(read.problems), { problems: read.problems })
  const head = read.value
  for (let tries = 0; ; tries++) {
    const ready = tries < BEFOREHAND ? await beforehand(sequelize, head, body) : undefined
    if (ready && 'position' in ready) return ready
    try {
      const { position } = await recorded(sequelize, head.label, head, async (transaction, position) => {
        const prepared = ready ?? await worked(await seen(head, transaction), body)
        if (ready && !isSame(ready.stood, await standing(head, transaction))) throw new MovedError()
        await write(head, prepared.saved, position, transaction)
        return { changes: prepared.saved.changes, answer: undefined }
      })
      return { position }
    }
    catch (error) {
      if (!(error instanceof MovedError)) throw error
    }
  }
}

/** Works out what is to be saved; nothing is locked for it, and no connection held. */
async function beforehand(
  sequelize: Sequelize, head: EditHead, body: string,
): Promise<Prepared | { position: number }> {
  const looked = await sequelize.transaction(
    async transaction => (await doneBefore(head, transaction)) ?? (await seen(head, transaction)),
  )
  return 'position' in looked ? looked : await worked(looked, body)
}

/** What a change is made from, as it is at one moment. */
type Seen = Omit<Saving, 'body'> & { stood: Standing }

async function seen(head: EditHead, transaction: Transaction): Promise<Seen> {
  const { class: id, papers: keys } = head
  const stood = await standing(head, transaction)
  const studio = await Studio.findByPk(1, { transaction })
  // A class may be large, and is not asked for where only papers are changed.
  const row = id === null || !head.ofClass
    ? null
    : await StudioClass.findByPk(id, { attributes: ['document'], transaction })
  const papers = keys.length === 0
    ? []
    : await StudioPaper.findAll({
        attributes: ['document'],
        where: { key: anyOf(StudioPaper.sequelize, keys) },
        raw: true,
        transaction,
      })
  const others = await missed(head, Number(studio?.position ?? 0), transaction)
  // As they lie in their rows, nothing is made of them here.
  const texts = papers.map(({ document }) => document as unknown as string)
  return { document: row ? textOf(row, 'document') : undefined, papers: texts, others, stood }
}

async function worked({ stood, ...found }: Seen, body: string): Promise<Prepared> {
  const size = [body, found.document ?? '', ...found.papers, ...found.others].reduce(
    (sum, { length }) => sum + length, 0,
  )
  const saved = await checked('save', { body, ...found }, size)
  if (saved.is === 'refused')
    throw refusal(saved.status, saved.message || sentence(saved.problems), { problems: saved.problems })
  return { saved, stood }
}

/** What others have changed of the class and the papers since the sender looked. */
async function missed(
  { class: id, since, papers }: EditHead, position: number, transaction: Transaction,
): Promise<string[]> {
  const of = [
    { entity: 'class', entityKey: String(id) }, { entity: 'paper', entityKey: anyOf(Change.sequelize, papers) },
  ]
  const changes = await changesAfter(since, position, of, MOST_MISSED, transaction)
  if (!changes) throw changedElsewhere()
  return changes.map(change => textOf(change, 'patches'))
}

async function standing({ class: id, papers: keys }: EditHead, transaction: Transaction): Promise<Standing> {
  const row = id === null ? null : await StudioClass.findByPk(id, { attributes: ['position'], transaction })
  if (id !== null && !row) throw refusal(404, GONE)
  const [papers] = keys.length === 0
    ? []
    : await StudioPaper.findAll({
      attributes: [[fn('COUNT', col('key')), 'papers'], [fn('MAX', col('position')), 'changed']],
      where: { key: anyOf(StudioPaper.sequelize, keys) }, raw: true, transaction,
    }) as unknown as { papers: number, changed: number | null }[]
  return {
    class: Number(row?.position ?? 0), papers: Number(papers?.papers ?? 0), changed: Number(papers?.changed ?? 0),
  }
}

const isSame = (a: Standing, b: Standing): boolean =>
  a.class === b.class && a.papers === b.papers && a.changed === b.changed

async function write(
  { class: id }: EditHead, saved: Prepared['saved'], position: number, transaction: Transaction,
): Promise<void> {
  if (saved.class && id !== null) {
    await mustNamePapers(saved.class.fresh, transaction)
    await changeClass(id, saved.class, position, transaction)
  }
  if (saved.gone.length > 0) {
    await mustNotBeUsed(saved.gone, transaction)
    await binPapers(saved.gone.map(({ key }) => key), transaction)
  }
  if (saved.papers.keys.length > 0) {
    await putPapers(saved.papers, position, transaction)
    await unbinPapers(saved.papers.keys, transaction)
  }
  await padsMustBeWhole(saved.gone, saved.papers.keys, transaction)
}

const changedElsewhere = () => refusal(409, 'The same was changed in another window since you saw it.')

/** Refuses to take a paper away that lies in a pad, and a pad with papers that are not on the shelf. */
async function padsMustBeWhole(
  gone: { key: string, name: string }[], put: readonly string[], transaction: Transaction,
): Promise<void> {
  if (gone.length + put.length === 0) return
  const lacking = await StudioPaper.sequelize?.query<{ name: string, paper: string }>(
    `SELECT papers.name, held.paper FROM (
        SELECT pad, paper FROM JSON_TABLE($1, '$[*]' COLUMNS (id VARCHAR(80) PATH '$')) AS gone
          JOIN holds ON holds.paper = gone.id
        UNION SELECT pad, paper FROM JSON_TABLE($2, '$[*]' COLUMNS (id VARCHAR(80) PATH '$')) AS put
          JOIN holds ON holds.pad = put.id
      ) AS held
      JOIN papers ON papers.\`key\` = held.pad
      LEFT JOIN papers AS sheet ON sheet.\`key\` = held.paper
      WHERE sheet.\`key\` IS NULL ORDER BY papers.name, held.paper LIMIT 20`,
    { bind: [JSON.stringify(gone.map(({ key }) => key)), JSON.stringify(put)], type: QueryTypes.SELECT, transaction },
  ) ?? []
  const [first] = lacking
  if (!first) return
  const taken = gone.find(({ key }) => key === first.paper)
  const problems = lacking.map(({ name, paper }) => ({ path: `papers.${paper}`, problem: `lies in the pad “${name}”` }))
  throw refusal(
    409,
    taken
      ? `${taken.name} lies in the pad “${first.name}”. Take it out of the pad first.`
      : `The pad “${first.name}” holds the paper “${first.paper}”, which is not on the shelf. Take it out of the pad.`,
    { problems },
  )
}

/** Refuses a class that names papers, newly, which are not on the shelf. */
async function mustNamePapers(named: Naming[], transaction: Transaction): Promise<void> {
  if (named.length === 0) return
  const keys = [...new Set(named.map(({ paper }) => paper))]
  const there = new Set(
    (await StudioPaper.findAll({ attributes: ['key'], where: { key: keys }, transaction })).map(({ key }) => key),
  )
  const problems = named.filter(({ paper }) => !there.has(paper))
    .map(({ path, paper }) => ({ path, problem: `names the paper “${paper}”, which is not on the shelf` }))
  if (problems.length > 0) throw refusal(422, sentence(problems), { problems: problems.slice(0, 20) })
}

/** Refuses to take a paper away that a class still uses; the first one is named. */
async function mustNotBeUsed(gone: { key: string, name: string }[], transaction: Transaction): Promise<void> {
  const used = new Set((await PaperUse.findAll({
    attributes: ['paper'],
    where: {
      paper: anyOf(
        PaperUse.sequelize, gone.map(({ key }) => key),
      ),
    },
    group: ['paper'],
    transaction,
  })).map(({ paper }) => paper))
  for (const { key, name } of gone.filter(({ key }) => used.has(key))) {
    const uses = await PaperUse.findAll({ where: { paper: key }, order: ['classId'], transaction })
    const classes = await StudioClass.findAll({
      where: { id: uses.slice(0, 3).map(({ classId }) => classId) }, transaction,
    })
    const users = classes.flatMap(({ document }) => {
      // Cards name their papers in the same way in every version.
      const { class: details, cards } = document as Pick<ClassDocument, 'class' | 'cards'>
      const named = cards.filter(card => [card, ...card.colourways ?? []].some(({ papers }) =>
        Object.values(papers).some(paper => paperOfSide(paper) === key)))
      // What no card names lies in a pool.
      return named.length > 0 ? named.map(({ title }) => `${title} in ${details.title}`) : [details.title]
    })
    const more = users.length - 3 + Math.max(0, uses.length - classes.length)
    throw refusal(
      409,
      `${name} is still used by ${users.slice(0, 3).join(', ')}${more > 0 ? ` and ${more} more` : ''}. `
      + `Choose another paper there first.`,
      { problems: [{ path: `papers.${key}`, problem: 'is still used' }] },
    )
  }
}
