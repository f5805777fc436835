import { writeBatch } from '../../../../core/formats'

/** Deletes a class and hands it back as a batch file, so that the deletion can be undone. */
export default defineDoor(async (event) => {
  const id = classIdOf(event)
  const { answer } = await recorded(useDatabase(), 'delete class', newToken(), async (transaction) => {
    const { row, document } = await classOf(id, { transaction })
    const file = writeBatch(batchFrom(document, await shelf(transaction)))
    await row.destroy({ transaction })
    return { changes: [{ entity: 'class', entityKey: String(id), patches: [] }], answer: { file } }
  })
  hurry()
  return answer
})
