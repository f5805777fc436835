import { prepare } from '../../../../core/batch'
import { blanksOf } from '../../../../core/folds'
import { writePattern } from '../../../../core/exports'

/** One flat pattern of a card as a file: `?card=KEY&part=KEY&format=svg|dxf`. */
export default defineDoor(async (event) => {
  const { card: cardKey, part: partKey, format } = getQuery(event)
  if (format !== 'svg' && format !== 'dxf') throw refusal(422, 'The format is svg or dxf.')
  const batch = await batchOf(classIdOf(event))
  const card = prepare(batch).cards.find(({ entry }) => entry.key === cardKey)
  if (!card?.construction) throw refusal(404, 'There is no such card in this class, or its sizes cannot be read.')
  const part = blanksOf(card.construction).find(({ key }) => key === partKey)
  if (!part) throw refusal(404, `There is no such blank; there are: ${blanksOf(card.construction).map(({ key }) => key).join(', ')}.`)
  download(event, `${card.entry.title} ${part.name}`, format, format === 'svg' ? 'image/svg+xml' : 'image/vnd.dxf')
  return writePattern(card.construction, part, format)
})
