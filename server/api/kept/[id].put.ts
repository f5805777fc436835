/** Characters of an answer. */
const MOST = 1_000_000

/** Keeps an answer, as JSON, under an identifier, in place of what lies there. */
export default defineDoor(async (event) => {
  const id = getRouterParam(event, 'id') ?? ''
  if (!/^[\w-]{43}$/.test(id))
    throw refusal(422, 'What is kept lies under an identifier of 43 letters, digits, hyphens and underscores.')
  const text = await readText(event, MOST)
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
