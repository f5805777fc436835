import { LONGEST_KEPT, isKeptId } from '../../../core/kept'

/** Keeps an answer, as JSON, under an identifier, in place of what lies there. */
export default defineDoor(async (event) => {
  const id = getRouterParam(event, 'id') ?? ''
  if (!isKeptId(id))
    throw refusal(422, 'What is kept lies under an identifier of 43 letters, digits, hyphens and underscores.')
  const text = await readText(event, LONGEST_KEPT)
  try {
    JSON.parse(text)
  }
  catch {
    throw refusal(400, 'The request is not JSON.')
  }
  await keepUnder(id, text)
  setResponseStatus(event, 204)
  return null
})
