import { UniqueConstraintError } from 'sequelize'
import { openDressing } from '../../../core/document/open'
import { foldById, inputProblems } from '../../../core/folds'
import { Studio, Variant } from '../../database/models'

const MOST = 500

/** Keeps a fold with its parameters and its dressing, or one free piece, under a name of its own. */
export default defineDoor(async (event) => {
  const { name, fold: foldId, units, parameters, dressing: put } = await readShape(event, VariantShape)
  const dressing = openDressing(put)
  if (!dressing.ok)
    throw refusal(422, 'The variant was not kept.', {
      problems: dressing.problems.map(({ path, problem }) => ({ path: `dressing.${path}`, problem })),
    })
  const { faces, free } = dressing.value
  const fold = foldById(foldId)
  if (!fold && foldId !== '') throw refusal(422, `There is no fold “${foldId}”.`)
  if (!fold && (free.length !== 1 || faces.length > 0 || Object.keys(parameters).length > 0))
    throw refusal(422, 'What is kept without a fold is one free piece and nothing else.')
  const wrong = inputProblems(fold?.parameters ?? {}, parameters, units)
  if (wrong.length > 0)
    throw refusal(422, 'The variant was not kept.', {
      problems: wrong.map(({ parameter, problem }) => ({ path: `parameters.${parameter}`, problem })),
    })
  const id = await useDatabase()
    .transaction(async (transaction) => {
      // One after the other, so that they are counted right.
      await Studio.findByPk(1, { transaction, lock: transaction.LOCK.UPDATE })
      if ((await Variant.count({ transaction })) >= MOST) throw refusal(422, `There are ${MOST} variants; remove one first.`)
      return (await Variant.create({ name, fold: foldId, units, parameters, dressing: dressing.value }, { transaction })).id
    })
    .catch((error: unknown) => {
      if (!(error instanceof UniqueConstraintError)) throw error
      throw refusal(409, `There is a variant “${name}” already.`, {
        problems: [{ path: 'name', problem: 'is taken; choose another name' }],
      })
    })
  setResponseStatus(event, 201)
  return { id, name, fold: foldId, units, parameters, dressing: dressing.value }
})
