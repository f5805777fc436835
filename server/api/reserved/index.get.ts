/** What coming classes take from the shelf, and what is short: `?today=DAY`. */
export default defineDoor(async (event) => {
  const { today } = readQuery(event, ReservedShape)
  useDatabase()
  const { coming: _, ...now } = await reservedOn(today)
  if (now.pending) freshenAll()
  return { ...now, currency: (await readSettings()).settings.prices.currency }
})
