import { takenBefore } from '../../../../core/reserved'

/** What the classes before one take from the shelf, and which those are: `?today=DAY`. */
export default defineDoor(async (event) => {
  const { today } = readQuery(event, ReservedShape)
  const id = classIdOf(event)
  useDatabase()
  const { coming, classes, reserved, pending } = await reservedOn(today)
  if (pending) freshenAll()
  const before = takenBefore(reserved, coming, id)
  const named = new Set(before.flatMap(taken => taken.classes))
  return { before, classes: classes.filter(one => named.has(one.id)), pending }
})
