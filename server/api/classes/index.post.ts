import { newClass } from '../../../core/document'
import { ClassDetails } from '../../../core/document/open'

export default defineDoor(async (event) => {
  const details = await readShape(event, ClassDetails)
  const { answer: id } = await recorded(
    useDatabase(),
    'new class',
    { token: newMark() },
    async (transaction, position) => {
      const { settings } = await readSettings(transaction)
      const id = await createClass(newClass(details, settings), position, transaction)
      return { changes: [{ entity: 'class', entityKey: String(id), patches: [] }], answer: id }
    })
  setResponseStatus(event, 201)
  return { id }
})
