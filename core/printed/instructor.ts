import type { Preparation } from '../batch'
import type { Bag, Parcel, Task, Kits } from '../kits'
import { readyInWords } from '../batch'
import { cardsIn, eveningOf, suppliesFor, tasksOf, amountInWords } from '../kits'
import { wholeMinutes } from '../cutting'
import { count } from '../lists'
import type { PrintBlock, PrintSection } from './model'

/**
 * What the instructor has in hand: the order of the evening, what is still to be done, what to bring, who comes and who
 * gets what.
 */
export function instructorSections(preparation: Preparation, bags: Bag[], kits: Kits,
  tasks: Task[] = tasksOf(preparation, bags)): PrintSection[] {
  return [
    eveningSection(preparation),
    ...(tasks.length > 0 ? [taskSection(tasks)] : []),
    {
      heading: 'What to bring',
      blocks: [{ kind: 'list', mark: 'box', items: thingsToBring(preparation, bags, kits) }],
    },
    { heading: 'Who comes', blocks: rosterBlocks(bags) },
    ...levelSections(preparation, bags),
  ]
}

function eveningSection(preparation: Preparation): PrintSection {
  const { seats, spares, place, starts, notes } = preparation.batch.class
  return {
    heading: 'The evening',
    blocks: [
      {
        kind: 'text',
        text: [place, starts && `from ${starts}`, `${count(seats, 'seat')} and ${count(spares, 'spare bag')}`]
          .filter(Boolean).join(', '),
      },
      ...(notes ? [{ kind: 'text' as const, text: notes }] : []),
      {
        kind: 'table',
        name: 'Order of the evening',
        head: [...(starts ? ['At'] : []), 'What', 'Minutes'],
        rows: eveningOf(preparation).map(({ at, what, minutes }) => [
          ...(starts ? [at ?? ''] : []), what, String(minutes),
        ]),
        numbers: [starts ? 2 : 1],
      },
    ],
  }
}

const taskSection = (tasks: Task[]): PrintSection => ({
  heading: 'Before it, beside cutting',
  blocks: [{
    kind: 'table',
    name: 'Before the class',
    head: ['', 'To do', 'What', 'Minutes'],
    rows: tasks.map(({ name, what, minutes }) => ['☐', name, what, String(wholeMinutes(minutes))]),
    numbers: [3],
  }],
})

function thingsToBring(preparation: Preparation, bags: Bag[], kits: Kits): string[] {
  const { batch: { class: { spares, units } }, cards } = preparation
  const filled = bags.filter(({ kits }) => kits.length > 0)
  const each = (made: Preparation['cards']) =>
    made.filter(({ kits }) => kits > 0).map(({ entry, kits }) => `${kits} × ${entry.title}`).join(', ')
  const setUp = cards.filter(({ construction }) => (construction?.setUp.length ?? 0) > 0)
  const supplies = new Map(suppliesFor(preparation).map(supply => [supply.key, supply]))
  const used = kits.totals.uses.flatMap(({ supply, amount }) => {
    const entry = supplies.get(supply)
    return entry && !['bag', 'label', 'envelope'].includes(entry.use)
      ? [`${entry.name}: ${amountInWords(entry.use, amount, units)}`]
      : []
  })
  return [
    `${count(filled.length, 'bag')}${spares > 0 ? `, ${spares} of them spare` : ''}`,
    ...used,
    `Hand-outs: ${each(cards)}`,
    ...(setUp.length > 0 ? [`Slips to set up: ${each(setUp)}`] : []),
    'Bone tools and scoring boards, scissors; knife, steel ruler and mat for whoever may use them',
    'A finished card of each to hand round; bin bags; plasters',
  ]
}

function rosterBlocks(bags: Bag[]): PrintBlock[] {
  const hasProfiles = new Set(bags.map(({ profile }) => profile)).size > 1
  return [{
    kind: 'table',
    name: 'Who comes and who gets what',
    head: ['', 'Bag', 'Gets', ...(hasProfiles ? ['Made ready'] : []), 'To know', 'Paid'],
    rows: bags.map(({ label, seat, kits, profile }) => [
      '☐',
      label,
      cardsIn({ kits }) || 'nothing',
      ...(hasProfiles ? [profile.name] : []),
      [seat.leftHanded && 'left-handed', seat.online && 'online', seat.notes].filter(Boolean).join(', '),
      seat.paid ? 'yes' : '',
    ]),
  }]
}

/** How pieces are made ready that are not just cut, profile by profile. */
function levelSections({ cards }: Preparation, bags: Bag[]): PrintSection[] {
  const profiles = [...new Set(bags.map(({ profile }) => profile))]
  const items = profiles.flatMap(profile => cards.flatMap(({ entry, pieces, dealt }) => {
    const levels = dealt.find(({ prep }) => prep.profile === profile)?.prep.levels
    const words = levels ? readyInWords(pieces, levels) : ''
    return words ? [`${profile.name}, ${entry.title}: ${words}`] : []
  }))
  return items.length > 0
    ? [{ heading: 'How pieces are made ready', blocks: [{ kind: 'list', mark: 'dot', items }] }]
    : []
}

/**
 * A row for every bag to tick while packing: how many pieces lie in it, and what it weighs, so that a missing one shows
 * on a scale.
 */
export const packingSection = (bags: Bag[], weighed: Parcel[], pieces: (bag: Bag) => number): PrintSection => ({
  heading: 'Packing check',
  blocks: [
    {
      kind: 'table',
      name: 'Packing check',
      head: ['', 'Bag', 'Pieces', 'Weighs, g', 'Checked by'],
      rows: bags.filter(({ kits }) => kits.length > 0).map((bag) => {
        const parcel = weighed.find(({ bag: key }) => key === bag.key)
        return [bag.seat.packed ? '☑' : '☐', bag.label, String(pieces(bag)), parcel ? parcel.weight.toFixed(1) : '', '']
      }),
      numbers: [2, 3],
    },
    { kind: 'text',
      text: 'Weights follow from the weight of the papers: weigh one bag that is complete first, and look for others that differ.',
    },
  ],
})
