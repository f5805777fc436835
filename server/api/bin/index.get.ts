/** What was deleted and can still be brought back. */
export default defineDoor(async () => {
  useDatabase()
  return { rest: REST, entries: await binned() }
})
