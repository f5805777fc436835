import { randomUUID } from 'node:crypto'
import PQueue from 'p-queue'
import type { Sequelize, Transaction } from 'sequelize'
import { Op } from 'sequelize'
import { isFault } from '../database/connection'
import { Change, Edit, Studio } from '../database/models'
import { refusal } from './door'
import type { Recorded, RecordedText } from '../workers/saving'
import { recordedText } from '../workers/saving'
import { record } from './rows'

/** Positions of changes that are kept: who has not looked for longer reads the class anew. */
export const KEPT = 20_000
const TRIES = 8
/** Changes that may wait for those before them. */
const MOST_WAITING = 400

/**
 * Those who change the studio stand in line here, first come first served, and not each with a connection of its own at
 * the row that all of them lock: whoever only reads finds one free.
 */
const line = new PQueue({ concurrency: 1 })

/** A mark for changes that nobody sends twice. */
export const newMark = (): string => randomUUID()

/** The sender's own mark of a change, and a hash of what it changes. */
export interface Mark {
  token: string
  digest?: string
}

/** What was done under a mark already; nothing where it is new. Another change under the same mark is refused. */
export async function doneBefore(
  { token, digest }: Mark, transaction?: Transaction,
): Promise<{ position: number } | undefined> {
  const done = await Edit.findOne({ where: { token }, transaction })
  if (!done) return undefined
  if (done.digest && digest && done.digest !== digest)
    throw refusal(422, 'Another change was sent under this mark before. Nothing was changed.', {
      problems: [{ path: 'token', problem: 'was used for another change' }],
    })
  return { position: Number(done.position) }
}

/**
 * Changes the studio in one transaction, after every change before it and before every
 * one after it. The work answers what is to be kept of it.
 * @param label what was done, for the record
 * @param mark a change that came already is not done again
 * @param work what it looks at was looked at before as far as it can be; here everybody else waits
 * @returns the position of the change, and what the work answered unless it had been done
 */
export async function recorded<T>(
  sequelize: Sequelize,
  label: string,
  mark: Mark,
  work: (transaction: Transaction, position: number) => Promise<{ changes: Recorded[] | RecordedText, answer: T }>,
): Promise<{ position: number, answer?: T }> {
  if (line.size >= MOST_WAITING) throw refusal(503, 'Too many changes are being saved at the moment. Try again.')
  return await line.add(async () => {
    for (let tries = 1; ; tries++) {
      try {
        return await sequelize.transaction(transaction => locked(transaction))
      }
      catch (error) {
        // The database undid one of two that waited for each other.
        if (tries === TRIES || !isFault(error, 'deadlock')) throw error
      }
    }
  }) as { position: number, answer?: T }

  async function locked(transaction: Transaction): Promise<{ position: number, answer?: T }> {
    const studio = await Studio.findByPk(1, { transaction, lock: transaction.LOCK.UPDATE })
    if (!studio) throw new Error('The studio has no row; its tables are not prepared.')
    const done = await doneBefore(mark, transaction)
    if (done) return done
    const position = Number(studio.position) + 1
    const { changes, answer } = await work(transaction, position)
    await studio.update({ position }, { transaction })
    await Edit.create({ position, ...mark, label: label.slice(0, 200) }, { transaction })
    await record(typeof changes === 'string' ? changes : recordedText(changes), position, transaction)
    if (position % 500 === 0) await forgetBefore(position - KEPT, transaction)
    return { position, answer }
  }
}

async function forgetBefore(position: number, transaction: Transaction): Promise<void> {
  const where = { position: { [Op.lt]: position } }
  await Change.destroy({ where, transaction })
  await Edit.destroy({ where, transaction })
}
