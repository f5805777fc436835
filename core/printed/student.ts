import type { Preparation } from '../batch'
import type { Bag, PackedKit } from '../kits'
import { bagLabel, usualProfile } from '../batch'
import { anyKit, isForAway, packedBags } from '../kits'
import type { CardEntry } from '../document'
import type { Units } from '../lengths'
import { handoutSection } from './handout'
import { pageHtml, sectionsHtml } from './html'
import { escaped } from './svg'

/** What everybody who makes a card minds. */
export const CAUTIONS
  = 'Knives and blades: cut away from the body, steel ruler and mat under every knife cut; children only with an adult beside '
    + 'them. Foam pads and small parts are a choking hazard for small children. The rules of the venue and local rules come first.'

/**
 * The page of a class for its students, or of one bag: when and where, what is in the bag, what to bring, how every
 * card is made, and the colours to choose from. One HTML text that needs nothing beside it and that nobody can change
 * anything with. It holds no names but that of its own bag.
 * @param key of a bag; without it the page is for everybody
 * @param units the student's own
 * @returns nothing for a bag that the class does not have
 */
export function studentPage(
  preparation: Preparation, key: string | undefined, units: Units, day: string,
): string | undefined {
  const { batch, cards } = preparation
  const bag = key === undefined ? undefined : packedBags(preparation).find(bag => bag.key === key)
  if (key !== undefined && !bag) return undefined
  const { title, starts, lasts, place, delivery } = batch.class
  const profile = bag?.profile ?? usualProfile(batch)
  const isAway = bag?.isAway ?? isForAway(batch, [], profile)
  const kits = bag ? bag.kits.map(unshared) : cards.flatMap(card => anyKit(card, profile) ?? [])
  const when = [day, starts && `${starts}, ${lasts} minutes`, place, delivery === 'by post' && 'by post']
    .filter(Boolean)
    .join(' · ')
  const whose = bag ? [bagLabel(bag.key), bag.seat.name].filter(Boolean).join(', ') : ''
  const body = [
    `<header><h1>${escaped(title)}</h1><p class="quiet">${escaped(when)}</p>`,
    whose && `<p><strong>${escaped(whose)}</strong></p>`,
    '</header>',
    ...kits.map(({ card: { entry } }) => choiceHtml(entry, bag)),
    sectionsHtml(kits.flatMap(kit => handoutSection(kit, { profile, isAway }, units))),
    kits.length === 0 ? '<p>Nothing is in this bag yet.</p>' : '',
    `<p class="cautions">${escaped(CAUTIONS)}</p>`,
  ].join('')
  return pageHtml(title, body)
}

/** Which print of a pool a bag gets is settled when it is packed: until then the page says which pool it comes from. */
const unshared = (kit: PackedKit): PackedKit => ({
  ...kit,
  pieces: kit.pieces.map(packed => (packed.piece.pool !== undefined && packed.paper
    ? { ...packed, paper: { ...packed.paper, name: `a print of ${packed.piece.pool}` } }
    : packed)),
})

/** The colourways of a card to choose from: what is chosen says what to tell the instructor, without a script. */
function choiceHtml({ key, title, colourways }: CardEntry, bag?: Bag): string {
  if (colourways.length < 2) return ''
  const wished = bag?.seat.colourways[key]
  const options = colourways.map(({ key: own, name }) =>
    `<label><input type="radio" name="${escaped(key)}" value="${escaped(own)}"${own === wished ? ' checked' : ''}>${escaped(name)}</label>`
    + `<p class="said">Tell your instructor: ${escaped(title)} in ${escaped(name)}.</p>`)
  return `<fieldset class="choice"><legend>Your colours for ${escaped(title)}</legend>${options.join('')}</fieldset>`
}
