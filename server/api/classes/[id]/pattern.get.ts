/** One flat pattern of a card as a file: `?card=KEY&part=KEY&format=svg|dxf`. */
export default defineDoor(async (event) => {
  const { card, part, format } = getQuery(event)
  if (format !== 'svg' && format !== 'dxf') throw refusal(422, 'The format is svg or dxf.')
  const stored = await storedClass(classIdOf(event))
  const file = await checked('pattern', { ...stored, card: String(card), part: String(part), format }, Infinity)
  return made(event, file, format, format === 'svg' ? 'image/svg+xml' : 'image/vnd.dxf')
}, PATIENT)
