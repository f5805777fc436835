import { BegunShape } from '../../utils/shapes'

/** Somebody works on what is kept under some identifiers once it is found: `{ ids, by }`. Answers what others do. */
export default defineDoor(async (event) => {
  const { ids, by } = await readShape(event, BegunShape)
  return { others: beginHere(ids, by) }
})
