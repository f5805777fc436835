import { newClass } from '../../../core/batch'
import { ClassDetailsShape } from '../../../core/formats'
import { StudioClass } from '../../database/models'

export default defineDoor(async (event) => {
  const details = await readShape(event, ClassDetailsShape)
  useDatabase()
  const { id } = await StudioClass.create({ document: newClass(details) })
  setResponseStatus(event, 201)
  return { id }
})
