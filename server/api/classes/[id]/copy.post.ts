import { copyOf } from '../../../../core/batch'
import { StudioClass } from '../../../database/models'
import { NewCopyShape } from '../../../utils/shapes'

export default defineDoor(async (event) => {
  const { title, date } = await readShape(event, NewCopyShape)
  const { document } = await classOf(event)
  const { id } = await StudioClass.create({ document: copyOf(document, { title, date }) })
  setResponseStatus(event, 201)
  return { id }
})
