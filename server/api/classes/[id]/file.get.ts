/** A class as a file; the names of people stay in the studio unless somebody asks for them: `?names=yes`. */
export default defineDoor(async (event) => {
  const stored = await storedClass(classIdOf(event))
  const named = getQuery(event).names === 'yes'
  return made(
    event, await checked('file', { ...stored, named }, stored.document.length), 'wakaru.json', 'application/json',
  )
}, PATIENT)
