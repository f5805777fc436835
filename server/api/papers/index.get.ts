/** A stretch of the shelf: `?kind=cardstock|print|all&search=TEXT&offset=N&limit=N`. */
export default defineDoor((event) => {
  const { offset, limit, ...query } = readQuery(event, PaperListShape)
  return atOneMoment(transaction => listPapers({ ...query, offset: Number(offset), limit: Number(limit) }, transaction))
})
