/** What has been changed of a class and of papers since `?since=N`, for a window that has it as it was then. */
export default defineDoor((event) => {
  const id = classIdOf(event)
  const { since } = readQuery(event, SinceShape)
  return atOneMoment(async transaction => ({ patches: await changesSince(id, Number(since), transaction) }))
})
