import { prepare } from '../../../../core/batch'
import { piecesCsv } from '../../../../core/exports'

export default defineDoor(async (event) => {
  const batch = await batchOf(classIdOf(event))
  download(event, `${batch.class.title} pieces`, 'csv', 'text/csv')
  return piecesCsv(batch, prepare(batch))
})
