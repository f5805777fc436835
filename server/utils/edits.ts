import { randomUUID } from 'node:crypto'
import type { Sequelize, Transaction } from 'sequelize'
import { Op } from 'sequelize'
import type { Batch, ClassDocument, PaperEntry, Patch, Problem } from '../../core/document'
import { ANY_SCRAP, PatchError, applied, choicesOf, collisions, isPool } from '../../core/document'
import { openPaper } from '../../core/document/open'
import { codeOf } from '../database/connection'
import { Change, Edit, PaperUse, Studio, StudioClass, StudioPaper } from '../database/models'
import { binPaper, unbinPaper } from './bin'
import { checked } from './checker'
import { classOf } from './classes'
import { paperFrom } from './documents'
import { refusal, sentence } from './door'
import type { Recorded } from './rows'
import { changeClass, changePaper, createPaper } from './rows'
import type { EditShape } from './shapes'

/** Positions of changes that are kept: who has not looked for longer reads the class anew. */
const KEPT = 20_000
const TRIES = 8

/**
 * Changes the studio in one transaction, after every change before it and before every
 * one after it. The work answers what is to be kept of it.
 * @param label what was done, for the record
 * @param token the sender's own mark; a change that came already is not done again
 * @returns the position of the change, and what the work answered unless it had been done
 */
export async function recorded<T>(
  sequelize: Sequelize,
  label: string,
  token: string,
  work: (transaction: Transaction, position: number) => Promise<{ changes: Recorded[], answer: T }>,
): Promise<{ position: number, answer?: T }> {
  for (let tries = 1; ; tries++) {
    try {
      return await sequelize.transaction(async (transaction) => {
        const studio = await Studio.findByPk(1, { transaction, lock: transaction.LOCK.UPDATE })
        if (!studio) throw new Error('The studio has no row; its tables are not prepared.')
        const done = await Edit.findOne({ where: { token }, transaction })
        if (done) return { position: Number(done.position) }
        const position = Number(studio.position) + 1
        const { changes, answer } = await work(transaction, position)
        await studio.update({ position }, { transaction })
        await Edit.create({ position, token, label: label.slice(0, 200) }, { transaction })
        await Change.bulkCreate(
          changes.map(change => ({ position, ...change })),
          { transaction },
        )
        if (position % 500 === 0) await forgetBefore(position - KEPT, transaction)
        return { position, answer }
      })
    }
    catch (error) {
      // The database undid one of two that waited for each other.
      if (tries === TRIES || codeOf(error) !== 'ER_LOCK_DEADLOCK') throw error
    }
  }
}

/** A mark for changes that nobody sends twice. */
export const newToken = (): string => randomUUID()

async function forgetBefore(position: number, transaction: Transaction): Promise<void> {
  const where = { position: { [Op.lt]: position } }
  await Change.destroy({ where, transaction })
  await Edit.destroy({ where, transaction })
}

const isOfPapers = ({ path }: Patch) => path[0] === 'papers'
/** Key of the paper that a patch is about. */
const paperOf = (patch: Patch): string => (patch.op === 'add' ? String((patch.entry as { key?: unknown }).key) : (patch.path[1] ?? ''))

/** Applies somebody's changes of a class and of papers to what is saved now, if nobody else has changed the same. */
export async function applyEdit(
  sequelize: Sequelize,
  { token, label, class: id, since, patches: sent }: EditShape,
): Promise<{ position: number }> {
  // The order of papers is nothing that is kept.
  const patches = sent.filter(patch => !(patch.op === 'order' && isOfPapers(patch)))
  const ofPapers = patches.filter(isOfPapers)
  const ofClass = patches.filter(patch => !isOfPapers(patch))
  if (ofClass.length > 0 && id === null)
    throw refusal(422, 'Only papers can be changed without a class.', { problems: [{ path: 'class', problem: 'is missing' }] })
  const papers = [...new Set(ofPapers.map(paperOf))]

  return await recorded(sequelize, label, token, async (transaction, position) => {
    if (since < position - KEPT) throw changedElsewhere()
    const others = await Change.findAll({
      where: {
        position: { [Op.gt]: since },
        [Op.or]: [
          { entity: 'class', entityKey: String(id) },
          { entity: 'paper', entityKey: papers },
        ],
      },
      transaction,
    })
    if (
      collisions(
        patches,
        others.flatMap(change => change.patches),
      ).length > 0
    )
      throw changedElsewhere()

    const rows = await StudioPaper.findAll({ where: { key: papers }, transaction })
    const before = rows.map(({ document }) => paperFrom(document))
    const found = id === null ? undefined : await classOf(id, { transaction })
    const [whole, after] = [{ ...found?.document, papers: before }, fitted({ ...found?.document, papers: before }, patches)]
    if (found && ofClass.length > 0) {
      const { papers: _, ...document } = after as Batch
      const changed = await mustMakeSense(document)
      await mustNamePapers(found.document, changed, [...papers.filter(key => after.papers.some(paper => paper.key === key))], transaction)
      await changeClass(found.row, changed, position, transaction)
    }
    for (const key of papers) await savePaper(key, whole.papers, after.papers)
    return {
      changes: [
        ...(ofClass.length > 0 ? [{ entity: 'class' as const, entityKey: String(id), patches: ofClass }] : []),
        ...papers.map(key => ({ entity: 'paper' as const, entityKey: key, patches: ofPapers.filter(patch => paperOf(patch) === key) })),
      ],
      answer: undefined,
    }

    async function savePaper(key: string, old: PaperEntry[], now: PaperEntry[]): Promise<void> {
      const row = rows.find(row => row.key === key)
      const paper = now.find(paper => paper.key === key)
      if (!paper) {
        const gone = old.find(paper => paper.key === key)
        if (gone) await mustNotBeUsed(gone, transaction)
        if (!row) return
        await binPaper(row, transaction)
        await row.destroy({ transaction })
        return
      }
      const read = openPaper(paper)
      if (!read.ok) throw refused(read.problems.map(({ path, problem }) => ({ path: `papers.${key}.${path}`, problem })))
      if (row) return changePaper(row, read.value, position, transaction)
      await createPaper(read.value, position, transaction)
      await unbinPaper(key, transaction)
    }
  })
}

const changedElsewhere = () => refusal(409, 'The same was changed in another window since you saw it.')
const refused = (problems: Problem[]) => refusal(422, sentence(problems), { problems })

function fitted<T extends { papers: PaperEntry[] }>(whole: T, patches: Patch[]): T {
  try {
    return applied(whole, patches)
  }
  catch (error) {
    if (!(error instanceof PatchError)) throw error
    const [path, problem] = [error.path.join('.'), error.message]
    throw refusal(error.elsewhere ? 409 : 422, `${path} ${problem}.`, { problems: [{ path, problem }] })
  }
}

/** Refuses a class whose shape, folds or parameters are not right. */
async function mustMakeSense(document: object): Promise<ClassDocument> {
  const read = await checked('class', document, JSON.stringify(document).length)
  if (!read.ok) throw refused(read.problems)
  return read.value
}

/** Refuses a class that names papers, newly, which are not on the shelf. */
async function mustNamePapers(before: ClassDocument, after: ClassDocument, present: string[], transaction: Transaction): Promise<void> {
  const pooled = after.pools.flatMap(({ key, papers }, index) => {
    const old = before.pools.find(pool => pool.key === key)?.papers ?? []
    const added = papers.filter(paper => !old.includes(paper) && !present.includes(paper))
    return added.map(paper => ({ path: `pools[${index}].papers`, paper }))
  })
  const named = pooled.concat(after.cards.flatMap((card, index) => {
    const known = before.cards.find(({ key }) => key === card.key)
    const old = new Map((known ? choicesOf(known) : []).map(({ path, paper }) => [path, paper]))
    return choicesOf(card)
      .filter(({ path, paper }) => old.get(path) !== paper && paper !== ANY_SCRAP && !isPool(paper) && !present.includes(paper))
      .map(({ path, paper }) => ({ path: `cards[${index}].${path}`, paper }))
  }))
  if (named.length === 0) return
  const there = await StudioPaper.findAll({
    attributes: ['key'],
    where: { key: [...new Set(named.map(({ paper }) => paper))] },
    transaction,
  })
  const missing = named.filter(({ paper }) => !there.some(({ key }) => key === paper))
  if (missing.length > 0)
    throw refused(missing.map(({ path, paper }) => ({ path, problem: `names the paper “${paper}”, which is not on the shelf` })))
}

async function mustNotBeUsed({ key, name }: PaperEntry, transaction: Transaction): Promise<void> {
  const uses = await PaperUse.findAll({ where: { paper: key }, order: ['classId'], transaction })
  if (uses.length > 0) {
    const classes = await StudioClass.findAll({ where: { id: uses.slice(0, 3).map(({ classId }) => classId) }, transaction })
    const users = classes.flatMap(({ document }) => {
      // Cards name their papers in the same way in every version.
      const { class: details, cards } = document as Pick<ClassDocument, 'class' | 'cards'>
      return cards.filter(({ papers }) => Object.values(papers).includes(key)).map(({ title }) => `${title} in ${details.title}`)
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
