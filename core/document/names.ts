import { fieldAt } from './fields'
import { capitalised, uncapitalised } from '../lists'

/**
 * What fields that stand in no table are called: texts, lists, and what points at something else. A property has one
 * name wherever it stands. Forms, places in words, the schema and the page about fields take it from here.
 */
export const NAMES = {
  'title': 'title',
  'date': 'day',
  'starts': 'beginning',
  'lasts': 'minutes',
  'place': 'place',
  'seats': 'seats',
  'spares': 'spare bags',
  'delivery': 'how it is given',
  'units': 'measures',
  'notes': 'notes',
  'fold': 'fold',
  'kits': 'number of kits',
  'envelope': 'envelope',
  'parts': 'how parts are held and made',
  'steps': 'steps in your words',
  'parameters': 'sizes',
  'papers': 'papers',
  'pace': 'seconds at the trimmer',
  'priority': 'what counts most',
  'moreSheets': 'sheets it may cost more',
  'without': 'sheet formats to do without',
  'also': 'sheet formats of the other units',
  'apart': 'cut by itself',
  'layouts': 'kept and cut layouts',
  'spoiled': 'spoiled pieces',
  'miscut': 'pieces cut wrong',
  'hands': 'seconds that students take',
  'drying': 'seconds that things dry',
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
  'article': 'article number',
  'link': 'link',
  'note': 'note',
  'family': 'colour family',
  'standsIn': 'papers that it stands in for',
  'thick': 'measured thickness',
  'coating': 'coating',
  'core': 'core',
  'scale': 'size of the pattern',
  'folded': 'how it comes folded',
  'pictures': 'pictures',
  'back': 'other side',
  'differs': 'two sides',
  'holds': 'papers of the pad',
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
} as const

const isNamed = (property: string): property is keyof typeof NAMES => Object.hasOwn(NAMES, property)

/** What a property is called within a sentence; nothing where it has no name of its own. */
export const nameOf = (property: string): string | undefined => (isNamed(property) ? NAMES[property] : undefined)

/** The same as a form says it, with a capital letter. */
export const labelOf = (property: keyof typeof NAMES): string =>
  capitalised(NAMES[property])

/** What the field at a path of a class is called within a sentence: by its table, or by its own property. */
export function nameAt(path: readonly string[]): string | undefined {
  const field = fieldAt(path)
  return field ? uncapitalised(field.name) : nameOf(path.at(-1) ?? '')
}
