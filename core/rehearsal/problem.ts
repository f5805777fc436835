import type { Preparation } from '../batch'
import { grouped, itemAt } from '../lists'
import type { Units } from '../lengths'
import type { PackedKit, StepTime } from '../kits'
import { bagShape, packedBags, roundOf, stepsLeft, timeOf } from '../kits'
import type { EveningEntry } from '../document'
import type { RehearsalProblem, RehearsedStep } from './model'

/** What a class shares, in the order in which the tools of a problem stand. */
const SHARED = ['machine', 'heat tool', 'instructor'] as const
const TOOL_NAMES: Record<(typeof SHARED)[number], string> = {
  'machine': 'Machine', 'heat tool': 'Heat tool', 'instructor': 'You',
}

/**
 * The evening of a class as it is to be rehearsed: everybody who has a seat makes what their bag holds, as far as it is
 * left to them. Who is not in the room shares no tool.
 */
export function rehearsalOf(preparation: Preparation): RehearsalProblem {
  const { batch: { class: { lasts, units }, evening }, cards } = preparation
  const seats = packedBags(preparation).filter(({ key, kits }) => key.startsWith('seat-') && kits.length > 0)
  const made = cards.filter(card => seats.some(({ kits }) => kits.some(kit => kit.card === card)))
  const makers = [...grouped(seats, bag => `${bag.isAway} ${bagShape(bag)}`).values()].map((alike) => {
    const bag = itemAt(alike, 0)
    const stages = made.map((card) => {
      const kit = bag.kits.find(own => own.card === card)
      return kit ? rehearsedSteps(kit, evening, units, !bag.isAway) : []
    })
    return { count: alike.length, stages }
  })
  const round = roundOf(lasts)
  return {
    makers,
    stages: made.map(({ entry }) => ({ name: entry.title, showing: evening.showing })),
    tools: SHARED.map(tool => ({
      name: TOOL_NAMES[tool],
      count: tool === 'machine' ? evening.machines : tool === 'heat tool' ? evening.heatTools : 1,
    })),
    spread: evening.spread,
    begins: round,
    until: lasts - round,
  }
}

/** The steps that are left of a kit, with what each needs of those before it. */
export function rehearsedSteps(
  kit: PackedKit, evening: Pick<EveningEntry, 'hands' | 'drying'>, units: Units, isInRoom: boolean,
): RehearsedStep[] {
  const { construction } = kit.card
  if (!construction) return []
  const left = stepsLeft(kit, units)
  const placeOf = new Map(left.flatMap(({ step }, at) => (step ? [[step.key, at] as const] : [])))
  // Pieces are cut before anything is made of them.
  const cutting = left.flatMap(({ step }, at) => (step ? [] : [at]))
  const toolOf = ({ tool }: StepTime) => (tool && isInRoom ? SHARED.indexOf(tool) : undefined)
  return left.map((one, at): RehearsedStep => {
    const time = timeOf(one, construction, evening)
    const needs = one.step?.needs.map(need => placeOf.get(need) ?? at) ?? []
    return {
      minutes: time.minutes,
      waits: time.dries,
      tool: toolOf(time),
      // A contradiction is a stop of its own; here the order that is shown counts.
      needs: [...new Set([...needs, ...cutting])].filter(need => need < at),
    }
  })
}
