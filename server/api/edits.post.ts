import { BOUNDS } from '../../core/document'
import { applyEdit } from '../utils/edits'
import { hurry } from '../utils/feed'

/** Saves changes of a class and of papers, all or nothing: 409 where somebody else has changed the same since. */
export default defineDoor(async (event) => {
  const body = await readText(event, BOUNDS.body)
  const read = await checked('edit', body, body.length)
  if (!read.ok) throw refusal(422, sentence(read.problems), { problems: read.problems })
  const { position } = await applyEdit(useDatabase(), read.value)
  hurry()
  return { position }
})
