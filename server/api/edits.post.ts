import { BOUNDS } from '../../core/document'
import { applyEdit } from '../utils/edits'
import { hurry } from '../utils/feed'

/** Saves changes of a class and of papers, all or nothing: 409 where somebody else has changed the same since. */
export default defineDoor(async (event) => {
  const body = await readText(event, BOUNDS.body)
  const { position } = await applyEdit(useDatabase(), body)
  hurry()
  return { position }
})
