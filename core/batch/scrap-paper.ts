import { ANY_SCRAP, plainPaper } from '../document'
import type { PartKind } from '../folds'
import type { Paper } from '../paper'

/**
 * Whether a part may be cut from any scrap, as long as nothing of it shows: hidden parts, and what lies under something
 * else.
 */
export const mayBeScrap = (kind: PartKind): boolean =>
  kind === 'hidden' || kind === 'underlay' || kind === 'mat' || kind === 'figure'

/** What parts are said to be cut from where any scrap will do. */
export const SCRAP_PAPER: Paper = {
  ...plainPaper({ key: ANY_SCRAP, name: 'Any scrap', kind: 'cardstock', weight: 240, colour: '#cfc9bd' }),
  stocks: [],
  offcuts: [],
}
