/** What every new class starts with. */
export default defineDoor(async () => {
  useDatabase()
  return await readSettings()
})
