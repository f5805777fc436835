import type { PrintBlock } from '../../core/printed'
import type { Units } from '../../core/lengths'

/** A line to hold a ruler to: printers make things smaller without a word. */
export const SCALE_BAR: Record<Units, PrintBlock> = {
  inch: { kind: 'scale', points: 144, text: 'This line is 2 in long when the page was printed at its real size.' },
  metric: {
    kind: 'scale', points: 141.732, text: 'This line is 50 mm long when the page was printed at its real size.',
  },
}
