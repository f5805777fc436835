import type { DressingEntry, ParameterInputs } from '../../core/document'
import type { Units } from '../../core/lengths'

/** A fold with the maker's own parameters and dressing; a free piece by itself has no fold. */
export interface ListedVariant {
  id: number
  name: string
  fold: string
  units: Units
  parameters: ParameterInputs
  dressing: DressingEntry
}

/** The maker's variants, the same for every part of the page that shows or changes them. */
export const useVariants = () => useFetch<ListedVariant[]>('/api/variants', { key: 'variants', default: () => [] })
