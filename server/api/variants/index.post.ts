import { foldById, inputProblems } from '../../../core/folds'
import { Variant } from '../../database/models'

const MOST = 500

/** Keeps a fold with its parameters under a name of its own. */
export default defineDoor(async (event) => {
  const { name, fold: foldId, units, parameters } = await readShape(event, VariantShape)
  useDatabase()
  const fold = foldById(foldId)
  if (!fold) throw refusal(422, `There is no fold “${foldId}”.`)
  const wrong = inputProblems(fold.parameters, parameters, units)
  if (wrong.length > 0)
    throw refusal(422, 'The variant was not kept.', {
      problems: wrong.map(({ parameter, problem }) => ({ path: `parameters.${parameter}`, problem })),
    })
  if (await Variant.findOne({ where: { name } }))
    throw refusal(409, `There is a variant “${name}” already.`, {
      problems: [{ path: 'name', problem: 'is taken; choose another name' }],
    })
  if ((await Variant.count()) >= MOST) throw refusal(422, `There are ${MOST} variants; remove one first.`)
  const { id } = await Variant.create({ name, fold: foldId, units, parameters })
  setResponseStatus(event, 201)
  return { id, name, fold: foldId, units, parameters }
})
