import { applyEdit } from '../utils/edits'
import { hurry } from '../utils/feed'
import { EditShape } from '../utils/shapes'

/** Saves changes of a class and of papers, all or nothing: 409 where somebody else has changed the same since. */
export default defineDoor(async (event) => {
  const edit = await readShape(event, EditShape)
  const { position } = await applyEdit(useDatabase(), edit)
  hurry()
  return { position }
})
