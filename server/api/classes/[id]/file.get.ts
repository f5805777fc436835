import { writeBatch } from '../../../../core/formats'

export default defineDoor(async (event) => {
  const studioClass = await classOf(event)
  download(event, studioClass.document.class.title, 'wakaru.json', 'application/json')
  return writeBatch(await batchOf(studioClass))
})
