import type { Preparation } from '../../core/batch'
import type { PaperOutcome } from '../../core/plans'
import { PACKING, calendarOf, shoppingList, suppliesFor, taskMinutes, tasksOf } from '../../core/kits'
import { calendarIcs } from '../../core/exports'
import type { Kits } from '../../core/kits'

/** The class and what comes before it as a calendar file. */
export function classCalendar(
  preparation: Preparation, outcomes: PaperOutcome[], kits: Kits, name: string,
): Promise<string> {
  const tasks = tasksOf(preparation)
  const packing = taskMinutes(tasks.filter(task => task.name === PACKING))
  const cutting = outcomes.reduce((sum, { minutes }) => sum + minutes, 0)
  const groups = shoppingList(preparation.batch, kits, suppliesFor(preparation))
    .filter(({ lines }) => lines.some(({ missing }) => missing > 0))
  return calendarIcs(
    calendarOf(
      preparation.batch, { cutting, packing, ready: taskMinutes(tasks) - packing }, groups.map(({ where }) => where),
    ),
    name,
  )
}
