import { ANY_SCRAP } from '../document'
import type { Paper } from '../paper'

/** What hidden parts are said to be cut from where any scrap will do. */
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
