import { StudioClass } from '../../../database/models'
import { NewCopyShape } from '../../../utils/shapes'

export default defineEventHandler(async (event) => {
  const { title, date } = await readShape(event, NewCopyShape)
  const { document } = await classOf(event)
  const { id } = await StudioClass.create({ document: { ...document, class: { ...document.class, title, date } } })
  setResponseStatus(event, 201)
  return { id }
})
