/*
 * From version 7 to version 8. Frozen: it is never changed to follow what a new class
 * starts with today.
 *
 * Version 7 knew tape and foam by a price each, cut every piece for every bag, had no time of day and no shopping.
 */

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)
const listed = (value: unknown): Data[] => (Array.isArray(value) ? value.filter(isData) : [])
const each = (list: unknown, more: Data): unknown =>
  Array.isArray(list) ? list.map(entry => (isData(entry) ? { ...more, ...entry } : entry)) : list

/** Papers are as they were. */
export const upgradePaper = (paper: Data): Data => paper

/** What it cost by the metre and by the pad was a pack of one. */
const supply = (key: string, name: string, use: string, way: string, price: unknown): Data => ({
  key, name, use, of: '', way, pack: 1, price, onHand: 0, weight: 0,
})

/** Tape and foam of the prices as supplies; in the settings of a studio as well. */
export const suppliesIn = (prices: unknown): unknown =>
  isData(prices)
    ? [
        supply('tape', 'Tape', 'tape', 'outline', prices.tapePerMetre),
        supply('strong-tape', 'Strong tape', 'strong tape', 'outline', prices.strongTapePerMetre),
        supply('foam-pads', 'Foam pads', 'foam', 'full area', prices.foamPad),
      ]
    : prices

export const upgradePrices = (prices: unknown): unknown => {
  if (!isData(prices)) return prices
  const { tapePerMetre: _t, strongTapePerMetre: _s, foamPad: _f, ...rest } = prices
  return { ...rest, venue: 0, seat: 0, packs: 'share', offcuts: 'nothing' }
}

/** Labels of half a sheet across, five down. */
const LETTER = {
  paper: 'LETTER',
  columns: 2,
  rows: 5,
  width: '4 in',
  height: '2 in',
  left: '1/4 in',
  top: '1/2 in',
  across: '0 in',
  down: '0 in',
}
const A4 = {
  paper: 'A4', columns: 2, rows: 5, width: '105 mm', height: '57 mm', left: '0 mm', top: '6 mm', across: '0 mm',
  down: '0 mm',
}

const keyFrom = (name: unknown): string =>
  String(name).normalize('NFKD').toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-+|-+$/g, '')

/** A class, alone or with its papers; what is no list of entries stays for the door to refuse. */
export function upgradeClass({ bought, ...document }: Data): Data {
  const ribbons = new Set(listed(document.cards).flatMap(card => listed(card.free))
    .filter(({ kind }) => kind === 'ribbon').map(({ name }) => keyFrom(name)))
  const tapes = suppliesIn(document.prices)
  const things = Array.isArray(bought)
    ? bought.map((entry): unknown => (isData(entry)
        ? {
            of: '',
            way: 'outline',
            pack: 1,
            onHand: 0,
            ...entry,
            use: ribbons.has(String(entry.key)) ? 'thing by length' : 'thing',
          }
        : entry))
    : bought
  return {
    ...document,
    class: isData(document.class) ? { starts: '', lasts: 180, place: '', ...document.class } : document.class,
    roster: each(document.roster, { profile: '' }),
    prep: {
      usual: '',
      profiles: [
        { key: 'room', name: 'In the room', levels: {}, more: {}, adhesive: 'on the table' },
        {
          key: 'post',
          name: 'By post or online',
          levels: { base: 'scored', insert: 'scored', hidden: 'scored' },
          more: {},
          adhesive: 'in the bag',
        },
      ],
      pace: { score: 12, dieCut: 30, stamp: 25, assemble: 40, stick: 15, pack: 4 },
    },
    supplies:
      Array.isArray(tapes) && Array.isArray(things) ? [...tapes, ...things] : Array.isArray(tapes) ? things : tapes,
    shopping: [],
    labels: isData(document.class) && document.class.units === 'metric' ? A4 : LETTER,
    prices: upgradePrices(document.prices),
  }
}
