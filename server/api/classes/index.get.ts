/** The list of classes, by day. */
export default defineDoor(async () => {
  const { classes } = await atOneMoment(async transaction => ({ classes: await summaries(transaction) }))
  return classes.sort((a, b) => a.date.localeCompare(b.date) || a.id - b.id)
})
