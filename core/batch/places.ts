import type { Batch, Path } from '../document'
import { fieldAt, valueAt } from '../document'
import { foldById } from '../folds'

/*
 * Places of a class in the maker's words: what two versions differ in, and what a step
 * back would touch.
 */

const NAMES: Record<string, string> = {
  'title': 'title',
  'date': 'day',
  'seats': 'seats',
  'spares': 'spares',
  'delivery': 'delivery',
  'units': 'units',
  'notes': 'notes',
  'fold': 'fold',
  'kits': 'number of kits',
  'envelope': 'envelope',
  'parts': 'how parts are held and made',
  'parameters': 'sizes',
  'papers': 'papers',
  'pace': 'seconds at the trimmer',
  'priority': 'what counts most',
  'moreSheets': 'sheets it may cost more',
  'without': 'sheet formats to do without',
  'also': 'sheet formats of the other units',
  'layouts': 'kept and cut layouts',
  'spoiled': 'spoiled pieces',
  'miscut': 'pieces cut wrong',
  'starts': 'beginning',
  'lasts': 'minutes',
  'place': 'place',
  'usual': 'usual profile',
  'levels': 'how far pieces are made ready',
  'more': 'pieces to choose from',
  'adhesive': 'where tape is found',
  'profile': 'how it is made ready',
  'use': 'use',
  'way': 'way of sticking',
  'pack': 'size of a pack',
  'ordered': 'what is ordered',
  'where': 'where it is bought',
  'envelopes': 'envelopes',
  'rates': 'rates',
  'name': 'name',
  'kind': 'kind',
  'weight': 'weight',
  'colour': 'colour',
  'motif': 'pattern',
  'upright': 'print direction',
  'grain': 'grain',
  'stocks': 'sheets',
  'offcuts': 'offcuts',
  'width': 'width',
  'height': 'height',
  'thickness': 'thickness',
  'price': 'price',
  'onHand': 'sheets on hand',
  'count': 'number',
  '(order)': 'order',
  'key': 'key',
}

const named = (name: string | undefined, fallback: string): string =>
  name === undefined ? fallback : (NAMES[name] ?? name)
const last = (path: Path, fallback: string): string =>
  named(
    [...path].reverse().find(name => name in NAMES),
    fallback,
  )

/** Title or name of what stands at a path in the first of some versions that has it. */
function titleAt(versions: Batch[], path: Path): string {
  for (const version of versions) {
    const entry = valueAt(version, path) as { title?: string, name?: string } | undefined
    if (entry?.title ?? entry?.name) return `“${entry.title ?? entry.name}”`
  }
  return `“${path.at(-1) ?? ''}”`
}

/**
 * A place in words: `width of “Lantern”`, `seats`, `sheets of “Kelp”`.
 * @param versions the class as it is and was, for titles and names
 */
export function placeInWords(path: Path, ...versions: Batch[]): string {
  const [part, key, ...rest] = path
  const field = fieldAt(path)
  if (field) return field.name.charAt(0).toLowerCase() + field.name.slice(1)
  if (part === 'class') return named(key, 'title, day, seats or notes')
  if (part === 'cards')
    return key === undefined || key === '(order)' ? 'order of the cards' : cardPlace(key, rest, versions)
  if (part === 'papers')
    return rest.length === 0
      ? `paper ${titleAt(versions, path)}`
      : `${last(rest, 'paper')} of ${titleAt(versions, ['papers', key ?? ''])}`
  if (part === 'cutting') return `${last(rest, 'cutting')} for ${titleAt(versions, ['papers', key ?? ''])}`
  if (part === 'supplies' || part === 'shopping') {
    const what = key !== undefined && part === 'supplies' ? ` of ${titleAt(versions, ['supplies', key])}` : ''
    const where = part === 'shopping' ? ' on the shopping list' : what
    return last(rest, part === 'supplies' ? 'supply' : 'line') + where
  }
  if (part === 'prep') return rest.length === 0
    ? named(key, 'how pieces are made ready')
    : `${last(rest, 'profile')} in ${titleAt(
      versions, ['prep', key ?? '', ...rest.slice(0, 1)])}`
  if (part === 'post')
    return rest.length === 0
      ? named(key, 'envelopes and posting')
      : `${last(rest, '') || named(key, '')} of ${titleAt(versions, path.slice(0, 3))}`
  return last(
    path.slice(1), { tools: 'trimmer', wishes: 'wishes', prices: 'prices', labels: 'labels' }[part ?? ''] ?? 'class',
  )
}

function cardPlace(key: string, [part, name]: Path, versions: Batch[]): string {
  const title = titleAt(versions, ['cards', key])
  if (part === undefined) return `card ${title}`
  const card = versions.map(({ cards }) => cards.find(card => card.key === key)).find(card => card !== undefined)
  const fold = card && foldById(card.fold)
  if (part === 'parameters' && name !== undefined)
    return `${fold?.parameters[name]?.label.toLowerCase() ?? name} of ${title}`
  if (part === 'papers' && name !== undefined) return `paper of ${name.replace(/-/g, ' ')} in ${title}`
  return `${named(part, part)} of ${title}`
}

/**
 * What stands at a place, short enough for a line; what is not there is said to be.
 * @param path of the value, where it is known: a choice is then said as forms say it
 */
export function valueInWords(value: unknown, path: Path = []): string {
  const field = fieldAt(path)
  if (field?.kind === 'choice' && typeof value === 'string') return field.words[value] ?? value
  if (value === undefined) return 'not there'
  if (value === null) return 'as usual'
  if (value === '') return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') return String(value)
  if (typeof value === 'string') return value.length > 80 ? `${value.slice(0, 79)}…` : value
  if (Array.isArray(value)) return value.length === 0 ? 'none' : `${value.length} of them`
  const { title, name } = value as { title?: string, name?: string }
  return title ?? name ?? 'changed'
}
