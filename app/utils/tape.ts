import type { Length, Units } from '../../core/lengths'

/** Nanometres of what makers buy tape by: a yard, a metre. */
export const TAPE_UNIT = { inch: 914_400_000, metric: 1_000_000_000 }

/** How much of both tapes a class uses, in what its maker buys tape by: `about 14 yards of tape`, and what is strong beside it. */
export const tapeInWords = ({ tape, strong }: { tape: Length, strong: Length }, units: Units): string => {
  const inWords = (length: Length, name: string) => {
    const much = length / TAPE_UNIT[units]
    const words = units === 'inch' ? (much === 1 ? 'yard' : 'yards') : 'm'
    return `about ${much < 10 ? much.toFixed(1) : Math.round(much)} ${words} of ${name}`
  }
  return [inWords(tape, 'tape'), ...strong > 0 ? [inWords(strong, 'strong tape')] : []].join(', ')
}
