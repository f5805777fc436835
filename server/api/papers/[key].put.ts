import { OptimisticLockError } from 'sequelize'
import { SavedPaperShape } from '../../utils/shapes'
import { StudioPaper } from '../../database/models'

/** Saves a paper if nobody saved it since the sender read it. */
export default defineDoor(async (event) => {
  const { revision, paper } = await readShape(event, SavedPaperShape)
  useDatabase()
  const found = await StudioPaper.findByPk(getRouterParam(event, 'key'))
  if (!found) throw refusal(404, 'That paper is no longer on the shelf.')
  if (paper.key !== found.key) throw refusal(422, 'A paper keeps its key.', { problems: [{ path: 'key', problem: `stays ${found.key}` }] })
  const conflict = () => refusal(409, `${found.name} was changed in another window. Close this form and look at it again.`)
  if (found.revision !== revision) throw conflict()
  try {
    await found.update(paper)
  }
  catch (error) {
    throw error instanceof OptimisticLockError ? conflict() : error
  }
  return { ...found.entry(), revision: found.revision }
})
