/** A stretch of the list of classes: `?when=coming|past|all&today=DAY&search=TEXT&offset=N&limit=N`. */
export default defineDoor(async (event) => {
  const { offset, limit, ...query } = readQuery(event, ClassListShape)
  useDatabase()
  return await listClasses({ ...query, offset: Number(offset), limit: Number(limit) })
})
