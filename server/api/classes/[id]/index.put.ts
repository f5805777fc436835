import { OptimisticLockError } from 'sequelize'
import { SavedClassShape } from '../../../utils/shapes'

/** Saves a class if nobody saved it since the sender read it; else answers 409 with what is saved. */
export default defineDoor(async (event) => {
  const { revision, document } = await readShape(event, SavedClassShape)
  mustMakeSense(document)
  const studioClass = await classOf(event)
  if (studioClass.revision !== revision) throw await conflict()
  try {
    studioClass.document = document
    studioClass.changed('document', true)
    await studioClass.save()
  }
  catch (error) {
    throw error instanceof OptimisticLockError ? await conflict() : error
  }
  return { revision: studioClass.revision }

  async function conflict() {
    const { revision, document } = await classOf(event)
    return refusal(409, 'This class was changed in another window since you opened it.', { saved: { revision, document } })
  }
})
