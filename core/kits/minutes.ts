import type { EveningEntry } from '../document'
import type { Construction } from '../folds'
import { grouped, sumOf } from '../lists'
import type { SharedTool } from '../making'
import { techniqueOf } from '../making'
import type { PreparedCard } from '../batch'
import type { Units } from '../lengths'
import type { StepLeft } from './left'
import { stepsLeft } from './left'
import { packedKit } from './packing'

/** How long a step takes most students. */
export interface StepTime {
  /** Minutes of hands, and of drying before what needs it. */
  minutes: number
  dries: number
  /** What is shared, where it takes that; the instructor where they do it. */
  tool?: SharedTool | 'instructor'
}

/** How long a step takes that is left of a card, by the seconds of its class. */
export function timeOf(
  { step, cuts, scores, slits, puts }: StepLeft, { parts, joints }: Pick<Construction, 'parts' | 'joints'>,
  { hands, drying }: Pick<EveningEntry, 'hands' | 'drying'>,
): StepTime {
  const work = step?.work
  const pieces = sumOf(parts.filter(({ key }) => puts.includes(key)).map(({ count = 1 }) => count))
  const seconds = hands.reading + cuts * hands.cutting + scores * hands.scoring + slits * hands.slitting
    + pieces * hands.putting + (work ? work.times * hands[work.technique] : 0) + (step?.own?.seconds ?? 0)
  const isGlued = joints.some(({ part, means }) => means === 'glue' && puts.includes(part))
  return {
    minutes: seconds / 60,
    dries: Math.max(isGlued ? drying['wet glue'] : 0, work ? drying[work.technique] : 0) / 60,
    tool: work?.by === 'instructor' ? 'instructor' : work && techniqueOf(work.technique).tool,
  }
}

/** Minutes that most students take for a card, as it is left to them; the mean of all kits. */
export function makingMinutes(
  card: PreparedCard, evening: Pick<EveningEntry, 'hands' | 'drying'>, units: Units,
): number {
  const { construction, dealt } = card
  if (!construction || dealt.length === 0) return 0
  const minutes = [...grouped(dealt, ({ prep }) => prep).values()].map((alike) => {
    const [first] = alike
    const steps = first ? stepsLeft(packedKit(card, first), units) : []
    return alike.length * sumOf(steps.map(step => timeOf(step, construction, evening).minutes))
  })
  return sumOf(minutes) / dealt.length
}
