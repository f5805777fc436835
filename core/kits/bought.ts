import type { BoughtEntry } from '../document'
import { keyFrom } from '../document'
import type { Extra } from '../folds'
import type { Units } from '../lengths'
import { METRE, formatLength } from '../lengths'

/** What a thing that is bought is known by in the list of prices: the same name, however it is written, is the same thing. */
export const boughtKey = (name: string): string => keyFrom(name, 'thing')

/** `2 × Split pin`, or `1 × Ribbon, 8 in` of what goes by length. */
export const extraInWords = ({ name, count, length }: Extra, units: Units): string =>
  `${count} × ${name}${length === undefined ? '' : `, ${formatLength(length, units, { unit: true })}`}`

/** What things of one kit that are bought cost (cents) and weigh (grams); what has no price or weight counts for nothing. */
export function boughtFor(extras: Extra[], bought: BoughtEntry[]): { price: number, weight: number } {
  return extras.reduce((total, { name, count, length }) => {
    const entry = bought.find(({ key }) => key === boughtKey(name))
    const units = count * (length === undefined ? 1 : length / METRE)
    return entry ? { price: total.price + units * entry.price, weight: total.weight + units * entry.weight } : total
  }, { price: 0, weight: 0 })
}

/** Everything that cards want bought, each once, by the name it was first written with. */
export function boughtThings(extras: Extra[]): { key: string, name: string, byLength: boolean }[] {
  const keyed = extras.map(({ name, length }) => ({ key: boughtKey(name), name, byLength: length !== undefined }))
  return keyed.filter(({ key }, at) => keyed.findIndex(other => other.key === key) === at)
}
