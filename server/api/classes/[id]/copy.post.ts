import { copyOf } from '../../../../core/document'
import { NewCopyShape } from '../../../utils/shapes'

export default defineDoor(async (event) => {
  const { title, date } = await readShape(event, NewCopyShape)
  const id = classIdOf(event)
  const { answer: made } = await recorded(
    useDatabase(),
    'copy class',
    { token: newMark() },
    async (transaction, position) => {
      const { document } = await classOf(id, { transaction })
      const copy = await createClass(copyOf(document, { title, date }), position, transaction)
      return { changes: [{ entity: 'class', entityKey: String(copy), patches: [] }], answer: copy }
    })
  setResponseStatus(event, 201)
  return { id: made }
})
