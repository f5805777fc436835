export default defineDoor(async (event) => {
  const { id, revision, document } = await classOf(event)
  return { id, revision, document }
})
