import { keyOfRef } from '../../core/batch'
import {
  forgetCut, formatsInUse, keepLayout, noteCut, noteMiscut, noteSpoiled, setFormat, takeAsUsual, takePlan, wishForPaper,
} from '../../core/plans'
import type { MeasuredPlan, KeyedLayout } from '../../core/cutting'
import type { Batch, MiscutEntry, Priority } from '../../core/document'
import type { Paper } from '../../core/paper'
import type { PlannedPaper } from '../stores/planner'

/** The wishes and the progress for the cutting of one paper, every change one step back in the class. */
export function usePaperCutting(paper: () => string) {
  const work = useClassStore()
  const entry = computed(() => work.document?.cutting.find(({ paper: key }) => key === paper()))
  const change = (label: string, edit: (batch: Batch) => void) => work.edit(`cutting ${paper()} ${label}`, edit)
  return {
    entry,
    take: (choice: MeasuredPlan, choices: MeasuredPlan[]) =>
      change('choice', batch => takePlan(batch, paper(), choice, choices)),
    wish: (priority: Priority) => change('choice', batch => wishForPaper(batch, paper(), priority)),
    takeAsUsual: () => change('choice', batch => takeAsUsual(batch, paper())),
    formatsInUse: (of: Paper) => (work.batch ? formatsInUse(work.batch, of) : []),
    setFormat: (of: Paper, stock: string, used: boolean) =>
      change('formats', batch => setFormat(batch, of, stock, used)),
    keep: (layout: KeyedLayout, { problem }: PlannedPaper, keep: boolean) =>
      change('layouts', batch => keepLayout(batch, paper(), { layout, key: uniqueKey('kept'), problem }, keep)),
    noteCut: (layout: KeyedLayout, { problem }: PlannedPaper, sheets: number) =>
      change('cut', batch => noteCut(batch, paper(), { layout, key: uniqueKey('kept'), problem }, sheets)),
    forgetCut: (key: string) => change('cut', batch => forgetCut(batch, paper(), key)),
    spoiledOf: (demand: string) => entry.value?.spoiled.find(({ piece }) => keyOfRef(piece) === demand)?.count ?? 0,
    noteSpoiled: (demand: string, { problem }: PlannedPaper, count: number) =>
      change('spoiled', batch => noteSpoiled(batch, paper(), demand, problem, count)),
    noteMiscut: (what: string, miscut: MiscutEntry[]) =>
      change(`miscut ${what}`, batch => noteMiscut(batch, paper(), miscut)),
  }
}
