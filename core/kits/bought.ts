import type { SupplyEntry } from '../document'
import { keyFrom } from '../document'
import type { Extra } from '../folds'
import type { Units } from '../lengths'
import { formatLength } from '../lengths'
import type { Usage } from './usage'

/**
 * What a thing that is bought is known by among the supplies: the same name, however it is written, is the same thing.
 */
export const boughtKey = (name: string): string => keyFrom(name, 'thing')

/** `2 × Split pin`, or `1 × Ribbon, 8 in` of what goes by length. */
export const extraInWords = ({ name, count, length }: Extra, units: Units): string =>
  `${count} × ${name}${length === undefined ? '' : `, ${formatLength(length, units, { unit: true })}`}`

/** What one kit takes of things that are bought: nanometres of what goes by length, pieces of all else. */
export const thingsFor = (extras: Extra[], supplies: SupplyEntry[]): Usage[] =>
  extras.flatMap(({ name, count, length }) =>
    supplies.some(({ key }) => key === boughtKey(name))
      ? [{ supply: boughtKey(name), amount: count * (length ?? 1) }]
      : [],
  )

/** Everything that cards want bought, each once, by the name it was first written with. */
export function boughtThings(extras: Extra[]): { key: string, name: string, byLength: boolean }[] {
  const keyed = extras.map(({ name, length }) => ({ key: boughtKey(name), name, byLength: length !== undefined }))
  return keyed.filter(({ key }, at) => keyed.findIndex(other => other.key === key) === at)
}

/** Supplies with those that cards name and that are not in the table yet: of no known price, one to a pack. */
export function withThings(supplies: SupplyEntry[], extras: Extra[]): SupplyEntry[] {
  const missing = boughtThings(extras).filter(({ key }) => supplies.every(supply => supply.key !== key))
  return [...supplies, ...missing.map(({ key, name, byLength }): SupplyEntry => ({
    key,
    name,
    use: byLength ? 'thing by length' : 'thing',
    of: '',
    way: 'outline',
    pack: 1,
    price: 0,
    onHand: 0,
    weight: 0,
  }))]
}
