import { noteStackCut, setApart } from '../../core/plans'
import type { SheetStack } from '../../core/together'

/** What is noted while several papers are cut in one order, every change one step back in the class. */
export function useCuttingTogether() {
  const work = useClassStore()
  return {
    /** Keys of papers that the maker cuts by themselves. */
    apart: computed(() => (work.document?.cutting ?? []).filter(({ apart }) => apart).map(({ paper }) => paper)),
    setApart: (paper: string, apart: boolean) =>
      work.edit(`cutting ${paper} apart`, batch => setApart(batch, paper, apart)),
    noteCut: (key: string, stacks: readonly SheetStack[]) =>
      work.edit(`cutting stack ${key}`, batch => noteStackCut(batch, key, stacks, () => uniqueKey('kept'))),
  }
}
