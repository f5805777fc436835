import type { ComputedRef, InjectionKey, MaybeRefOrGetter } from 'vue'
import type { Length, Units } from '../../core/lengths'
import { MILLIMETRE } from '../../core/lengths'

/** What lengths are read and written in on a page. */
interface Measures {
  units: ComputedRef<Units>
  /** One step of the arrow keys: what the trimmer has a mark for. */
  mark: ComputedRef<Length>
}
export const MEASURES: InjectionKey<Measures> = Symbol('measures')

/** Says, for all that stands on a page or in a part of it, what lengths are in. */
export function provideMeasures(units: MaybeRefOrGetter<Units>, mark: MaybeRefOrGetter<Length> = MILLIMETRE) {
  provide(MEASURES, { units: computed(() => toValue(units)), mark: computed(() => toValue(mark)) })
}

/** What lengths are in here, as the page says; inches where none does. */
export const useMeasures = (): Measures =>
  inject(MEASURES, () => ({ units: computed(() => 'inch' as const), mark: computed(() => MILLIMETRE) }), true)
