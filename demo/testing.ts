import { produce } from 'immer'
import type { Batch } from '../core/document'
import { demoBatches } from '.'

/** The demo evening with bags that are all alike: one print for each part, no pool, no colourways and no names. */
export const alikeEvening = (): Batch => produce(demoBatches(new Date(2030, 0, 1))[1]!, (draft) => {
  Object.assign(draft.cards[0]!.papers, {
    'mat-a': 'lantern', 'mat-b': 'ripple', 'mat-c': 'ripple', 'plate-mat': 'lantern',
  })
  draft.cards[0]!.colourways = []
  draft.pools = []
  draft.roster = []
})
