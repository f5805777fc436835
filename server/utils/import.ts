import type { Sequelize, Transaction } from 'sequelize'
import { UniqueConstraintError } from 'sequelize'
import type { Batch, PaperEntry } from '../../core/batch'
import { freeKey, freeTitle } from '../../core/batch'
import { codeOf } from '../database/connection'
import { StudioClass, StudioPaper } from '../database/models'

/** What a paper is, without how much of it lies on the shelf. */
const nature = ({ name, kind, weight, colour, motif, upright }: PaperEntry) => JSON.stringify([name, kind, weight, colour, motif, upright])

/** Times an import is tried when others add papers at the same moment. */
const TRIES = 8

/**
 * Adds a class from a batch, all or nothing. A paper the studio already has is
 * used as it is on the shelf; one of the same key but another nature is added
 * under a new key, so that neither is lost.
 */
export async function importBatch(sequelize: Sequelize, batch: Batch): Promise<StudioClass> {
  for (let tries = 1; ; tries++) {
    try {
      return await sequelize.transaction(transaction => addBatch(batch, transaction))
    }
    catch (error) {
      if (tries === TRIES || !isClash(error)) throw error
    }
  }
}

/** Somebody else added the same paper, or the database undid one of two that waited for each other. */
const isClash = (error: unknown) => error instanceof UniqueConstraintError || codeOf(error) === 'ER_LOCK_DEADLOCK'

async function addBatch({ papers, ...document }: Batch, transaction: Transaction): Promise<StudioClass> {
  const shelf = (await StudioPaper.findAll({ transaction })).map(paper => paper.entry())
  const renamed = new Map<string, string>()
  for (const paper of papers) {
    const same = shelf.find(other => other.key === paper.key)
    if (same && nature(same) === nature(paper)) continue
    const added = same
      ? { ...paper, key: freeKey(paper.key, shelf.map(({ key }) => key)), name: freeTitle(paper.name, shelf.map(({ name }) => name)) }
      : paper
    renamed.set(paper.key, added.key)
    shelf.push(added)
    await StudioPaper.create(added, { transaction })
  }
  const cards = document.cards.map(card => ({
    ...card,
    papers: Object.fromEntries(Object.entries(card.papers).map(([part, key]) => [part, renamed.get(key) ?? key])),
  }))
  const cutting = document.cutting.map(entry => ({ ...entry, paper: renamed.get(entry.paper) ?? entry.paper }))
  return await StudioClass.create({ document: { ...document, cards, cutting } }, { transaction })
}
