/** Takes a batch file as the body and adds its class. */
export default defineDoor(async (event) => {
  const text = await readText(event)
  const read = await checked('batch', text, text.length)
  if (!read.ok) throw refusal(422, 'The file was not imported.', { problems: read.problems })
  const id = await importBatch(useDatabase(), read.value)
  hurry()
  setResponseStatus(event, 201)
  return { id }
})
