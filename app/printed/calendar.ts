import type { Preparation } from '../../core/batch'
import type { PaperOutcome } from '../../core/plans'
import { PACKING, calendarOf, shoppingList, suppliesFor, taskMinutes, tasksOf } from '../../core/kits'
import { calendarIcs } from '../../core/exports'
import type { Kits } from '../../core/kits'

/** Minutes of drying from which on nothing is laid on each other the same evening. */
const OVERNIGHT = 5

/** The class and what comes before it as a calendar file. */
export function classCalendar(
  preparation: Preparation, outcomes: PaperOutcome[], kits: Kits, name: string,
): Promise<string> {
  const tasks = tasksOf(preparation)
  const packing = taskMinutes(tasks.filter(task => task.name === PACKING))
  const cutting = outcomes.reduce((sum, { minutes }) => sum + minutes, 0)
  const groups = shoppingList(preparation.batch, kits, suppliesFor(preparation))
    .filter(({ lines }) => lines.some(({ missing }) => missing > 0))
  const drying = tasks.filter(({ dries }) => dries >= OVERNIGHT).map(({ name, what }) => `${name} ${what}`)
  const planned = { cutting, packing, ready: taskMinutes(tasks) - packing, drying }
  return calendarIcs(calendarOf(preparation.batch, planned, groups.map(({ where }) => where)), name)
}
