import type { BenchStep, Pile } from './bench-step'

/*
 * What a step says, in words that stand alike on screen, in print and on the command line.
 */

/** What is taken in hand: `6 × rest of sheet 2`. */
export const heldInWords = ({ quantity, hold, begun }: Pick<BenchStep, 'quantity' | 'hold' | 'begun'>): string =>
  `${quantity} × ${begun && !hold.startsWith('strip') ? `rest of ${hold}` : hold}`

/** Where it is taken from; nothing where it is in hand, or for a sheet from its stack. */
export const takenInWords = ({ taken }: Pick<BenchStep, 'taken'>): string =>
  ({ 'new': '', 'in hand': '', 'just cut': 'just cut', 'found': 'from the table' })[taken]

/**
 * What came off, or remains: `12 × strip 1a (write 1a on it)`.
 * @param name what a piece is called here
 */
export function pileInWords({ kind, name, quantity, fresh, ready }: Pile, called = name): string {
  if (kind === 'waste') return 'waste'
  const notes = [
    ...(fresh ? [`write ${name.replace('strip ', '')} on it`] : []),
    ...(ready
      ? [ready.lying < ready.of ? `${ready.lying} of ${ready.of} lie ready` : `all ${ready.of} lie ready`]
      : []),
  ]
  return `${quantity} × ${called}${notes.length > 0 ? ` (${notes.join('; ')})` : ''}`
}
