import { newClass } from '../../../core/document'
import { ClassDetails } from '../../../core/document/open'
import { StudioClass } from '../../database/models'

export default defineDoor(async (event) => {
  const details = await readShape(event, ClassDetails)
  const { answer: id } = await recorded(useDatabase(), 'new class', newToken(), async (transaction, position) => {
    const { id } = await StudioClass.create({ document: newClass(details), position }, { transaction })
    return { changes: [{ entity: 'class', entityKey: String(id), patches: [] }], answer: Number(id) }
  })
  setResponseStatus(event, 201)
  return { id }
})
