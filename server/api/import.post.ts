import { readBatch } from '../../core/formats'

/** Takes a batch file as the body and adds its class. */
export default defineDoor(async (event) => {
  const read = readBatch(await readText(event))
  if (!read.ok) throw refusal(422, 'The file was not imported.', { problems: read.problems })
  const { answer } = await recorded(useDatabase(), 'import class', newToken(), (transaction, position) =>
    addBatch(read.value, transaction, position),
  )
  hurry()
  setResponseStatus(event, 201)
  return answer
})
