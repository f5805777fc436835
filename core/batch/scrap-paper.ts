import { ANY_SCRAP } from '../document'
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
  key: ANY_SCRAP,
  name: 'Any scrap',
  kind: 'cardstock',
  weight: 240,
  colour: '#cfc9bd',
  motif: 'plain',
  upright: false,
  grain: 'any',
  stocks: [],
  offcuts: [],
}
