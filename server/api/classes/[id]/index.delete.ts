/** Puts a class into the bin; answers its place there, so that it can be brought back whole. */
export default defineDoor(async (event) => {
  const id = classIdOf(event)
  const { answer } = await recorded(useDatabase(), 'delete class', { token: newMark() }, async (transaction) => {
    const { row, document } = await classOf(id, { transaction })
    const bin = await binClass(id, document, transaction)
    await removeClass(row, transaction)
    return { changes: [{ entity: 'class', entityKey: String(id), patches: [] }], answer: { bin } }
  })
  hurry()
  return answer
})
