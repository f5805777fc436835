/** Brings back what was deleted. */
export default defineDoor(async (event) => {
  const id = numberOf(event, 'That is not in the bin.')
  const { answer } = await recorded(useDatabase(), 'bring back', { token: newMark() }, (transaction, position) =>
    broughtBack(id, transaction, position),
  )
  hurry()
  return answer
})
