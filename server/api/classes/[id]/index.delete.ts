import { writeBatch } from '../../../../core/formats'

/** Deletes a class and hands it back as a batch file, so that the deletion can be undone. */
export default defineDoor(async (event) => {
  const studioClass = await classOf(event)
  const file = writeBatch(await batchOf(studioClass))
  await studioClass.destroy()
  return { file }
})
