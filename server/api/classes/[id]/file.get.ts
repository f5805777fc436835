import { withoutNames } from '../../../../core/document'
import { writeBatch } from '../../../../core/formats'

export default defineDoor(async (event) => {
  const batch = await batchOf(classIdOf(event))
  download(event, batch.class.title, 'wakaru.json', 'application/json')
  // Names stay in the studio unless somebody asks for them.
  return writeBatch(getQuery(event).names === 'yes' ? batch : withoutNames(batch))
})
