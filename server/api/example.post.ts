import { demoBatches } from '../../demo'

/** Adds the worked example: a whole class with its papers, to look round in and to make one's own. */
export default defineDoor(async (event) => {
  const [, example] = demoBatches(new Date())
  if (!example) throw refusal(500, 'There is no example.')
  const id = await importBatch(useDatabase(), example)
  setResponseStatus(event, 201)
  return { id }
})
