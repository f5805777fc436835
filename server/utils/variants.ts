import { NO_DRESSING } from '../../core/document'
import { openDressing } from '../../core/document/open'
import type { Variant } from '../database/models'

/** A variant as pages have it. What was put on it and cannot be read any more is left out; its sizes still serve. */
export function listed({ id, name, fold, units, parameters, dressing }: Variant) {
  const read = openDressing(dressing)
  return { id, name, fold, units, parameters, dressing: read.ok ? read.value : NO_DRESSING }
}
