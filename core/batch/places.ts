import type { Batch, Path } from '../document'
import { fieldAt, nameAt, nameOf, valueAt } from '../document'
import { foldById } from '../folds'

/*
 * Places of a class in the maker's words: what two versions differ in, and what a step
 * back would touch.
 */

const named = (name: string | undefined, fallback: string): string =>
  name === undefined ? fallback : (nameOf(name) ?? name)
const last = (path: Path, fallback: string): string =>
  named([...path].reverse().find(name => nameOf(name) !== undefined), fallback)

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
  if (fieldAt(path)) return nameAt(path) ?? ''
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
