/** Takes a batch file as the body and adds its class. */
export default defineDoor(async (event) => {
  const text = await readText(event)
  const read = await checked('batch', text, text.length)
  if (!read.ok) throw refusal(422, 'The file was not imported.', { problems: read.problems })
  const { answer } = await recorded(useDatabase(), 'import class', newToken(), (transaction, position) =>
    addBatch(read.value, transaction, position),
  )
  hurry()
  setResponseStatus(event, 201)
  return answer
})
