import type { Construction } from '../folds'
import { byKey, grouped, inARow } from '../lists'
import { faceAt } from './faces'
import { sideWords } from './held'

/**
 * Which way up prints lie, in words of one who holds the card; nothing where none of them has a top.
 * @param keys of layers that are cut from prints
 * @param laid how many layers are spoken of, prints or not
 */
export function wayUp(card: Construction, keys: readonly string[], laid: number): string {
  const said = keys.flatMap((key) => {
    const { name, printTop } = byKey(card.parts, key)
    const joint = card.joints.find(({ part }) => part === key)
    const face = joint && faceAt(card, joint)
    return face && printTop !== 'any' ? [{ name, side: sideWords(card, face)[printTop] }] : []
  })
  const ways = grouped(said, ({ side }) => side)
  if (ways.size === 1 && said.length === laid) {
    const [first] = said
    return `The top of ${said.length === 1 ? 'its print' : 'each print'} goes to the ${first?.side}.`
  }
  return [...ways].map(([side, of]) =>
    `The top of the print goes to the ${side} on ${inARow(of.map(({ name }) => `“${name}”`))}.`).join(' ')
}
