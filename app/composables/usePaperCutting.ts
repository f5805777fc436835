import type { CuttingEntry } from '../../core/batch'
import { keyOfRef, pieceRef, writeLayout } from '../../core/batch'
import type { Layout, Measured, Priority } from '../../core/cutting'
import { wishFor } from '../../core/cutting'
import type { Length } from '../../core/lengths'
import { lengthFrom, writeLength } from '../../core/lengths'
import type { PlannedPaper } from './usePlanned'

/** What counts most, as the maker reads it. */
export const PRIORITY_WORDS: Record<Priority, string> = { money: 'least money', sheets: 'fewest sheets', settings: 'fewest settings', time: 'least time' }

const NOTHING = { priority: null, moreSheets: null, without: [], layouts: [], spoiled: [] } satisfies Omit<CuttingEntry, 'paper'>
const isNothing = ({ priority, moreSheets, without, layouts, spoiled }: CuttingEntry) =>
  priority === null && moreSheets === null && without.length + layouts.length + spoiled.length === 0

/** The wishes and the progress for the cutting of one paper, every change one step back in the class. */
export function usePaperCutting(paper: () => string) {
  const work = useClassStore()
  const entry = computed(() => work.document?.cutting.find(({ paper: key }) => key === paper()))

  function change(label: string, edit: (entry: CuttingEntry) => void) {
    work.edit(`cutting ${paper()} ${label}`, (document) => {
      let own = document.cutting.find(({ paper: key }) => key === paper())
      if (!own) document.cutting.push(own = { paper: paper(), ...structuredClone(NOTHING) })
      edit(own)
      if (isNothing(own)) document.cutting.splice(document.cutting.indexOf(own), 1)
    })
  }

  const take = (choice: Measured, choices: Measured[]) => change('choice', own => void Object.assign(own, wishFor(choice, choices)))
  const takeAsUsual = () => change('choice', own => void Object.assign(own, { priority: null, moreSheets: null }))

  const isForbidden = (width: Length, height: Length) => entry.value?.without.some(size => lengthFrom(size.width) === width && lengthFrom(size.height) === height) ?? false
  function forbid(width: Length, height: Length, forbidden: boolean) {
    change('formats', (own) => {
      own.without = own.without.filter(size => lengthFrom(size.width) !== width || lengthFrom(size.height) !== height)
      if (forbidden) own.without.push({ width: writeLength(width, work.units), height: writeLength(height, work.units) })
    })
  }

  /** The kept entry of a layout, if it is kept; what the shelf knows of is past. */
  function keptAt(layout: Layout, { problem }: PlannedPaper): number {
    const written = JSON.stringify(writeLayout(layout, 0, problem.supplies, problem.demands, work.units).tree)
    return entry.value?.layouts.findIndex(kept => !kept.shelved && JSON.stringify(kept.tree) === written) ?? -1
  }

  /** Keeps a layout in the plan as it is, or lets it go again; sheets of it that are cut stay counted. */
  function keep(layout: Layout, planned: PlannedPaper, kept: boolean) {
    const index = keptAt(layout, planned)
    change('layouts', (own) => {
      if (!kept) own.layouts.splice(index, 1, ...own.layouts.slice(index, index + 1).filter(({ cut }) => cut > 0).map(left => ({ ...left, repeats: left.cut })))
      else if (index >= 0) own.layouts[index]!.repeats = own.layouts[index]!.cut + layout.repeats
      else own.layouts.push(writeLayout(layout, 0, planned.problem.supplies, planned.problem.demands, work.units))
    })
  }

  /** What to write down when some more sheets of a layout are cut. */
  function cutIn(layout: Layout, planned: PlannedPaper, sheets: number) {
    const index = keptAt(layout, planned)
    return (own: CuttingEntry) => {
      const kept = own.layouts[index]
      if (!kept) own.layouts.push(writeLayout({ ...layout, repeats: sheets }, sheets, planned.problem.supplies, planned.problem.demands, work.units))
      else Object.assign(kept, { cut: kept.cut + sheets, repeats: Math.max(kept.repeats, kept.cut + sheets) })
    }
  }

  /** Notes that some more sheets of a layout are cut; what is missing then is planned anew. */
  const noteCut = (layout: Layout, planned: PlannedPaper, sheets: number) => change('cut', cutIn(layout, planned, sheets))

  /** Notes that the whole plan is cut and that the shelf knows it. */
  function noteShelved(planned: PlannedPaper) {
    const notes = planned.outcome!.plan.layouts.map(layout => cutIn(layout, planned, layout.repeats))
    change('shelf', (own) => {
      for (const note of notes) note(own)
      for (const layout of own.layouts) layout.shelved ||= layout.cut > 0
    })
  }

  /** Takes back all sheets of a layout that were noted as cut. */
  const forgetCut = (index: number) => change('cut', own => void own.layouts.splice(index, 1))

  const spoiledOf = (key: string) => entry.value?.spoiled.find(({ piece }) => keyOfRef(piece) === key)?.count ?? 0
  function noteSpoiled(key: string, { problem }: PlannedPaper, count: number) {
    change('spoiled', (own) => {
      own.spoiled = own.spoiled.filter(({ piece }) => keyOfRef(piece) !== key)
      const demand = problem.demands.find(demand => demand.key === key)
      if (demand && count > 0) own.spoiled.push({ piece: pieceRef(demand, work.units), count })
    })
  }

  return { entry, take, takeAsUsual, isForbidden, forbid, keep, noteCut, noteShelved, forgetCut, spoiledOf, noteSpoiled }
}
