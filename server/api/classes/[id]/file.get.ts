import { writeBatch } from '../../../../core/formats'

export default defineDoor(async (event) => {
  const batch = await batchOf(classIdOf(event))
  download(event, batch.class.title, 'wakaru.json', 'application/json')
  return writeBatch(batch)
})
