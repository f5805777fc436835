import { tally } from '../../lists'
import type { Construction, Joint, Panel, Part } from '../model/card'
import type { DrawnPanel, View } from './drawing'
import { drawFolded } from './drawing'
import { inside, polygonArea } from './thickness'

/**
 * A card as far as it is put together after a step: what hangs together with one part, and what of it came in this
 * step.
 */
export interface Assembly {
  card: Construction
  /** Keys of the parts that came in this step. */
  coming: Set<string>
}

/** In which step each part is put on; what is only folded is there from the step that makes it. */
function stepOf({ steps }: Construction): { put: Map<string, number>, made: Map<string, number> } {
  const [put, made] = [new Map<string, number>(), new Map<string, number>()]
  steps.forEach((step, at) => {
    for (const key of step.puts) if (!put.has(key)) put.set(key, at)
    for (const key of step.makes) if (!made.has(key)) made.set(key, at)
  })
  return { put, made }
}

/**
 * What the pieces of a step are put on, with everything on it so far and the pieces themselves: one assembly for each
 * part that something is put on and that is not yet on the card.
 */
export function assembliesAt(card: Construction, step: number): Assembly[] {
  const { put } = stepOf(card)
  const coming = new Set(card.steps[step]?.puts ?? [])
  const joints = card.joints.filter(({ part }) => (put.get(part) ?? Infinity) <= step)
  const below = new Map(joints.map(joint => [joint.part, joint.onto.part]))
  const rootOf = (key: string): string => {
    let root = key
    for (let steps = 0; below.has(root) && steps <= card.parts.length; steps++) root = below.get(root) ?? root
    return root
  }
  const roots = [...new Set([...coming].map(rootOf))]
  return roots.map((root) => {
    const parts = card.parts.filter(part => rootOf(part.key) === root)
    const keys = new Set(parts.map(({ key }) => key))
    const own = joints.filter(({ part, onto }) => keys.has(part) && keys.has(onto.part))
    return { card: { ...card, anchor: anchorOf(card, parts, root), parts, joints: own },
      coming: new Set([...coming].filter(key => keys.has(key))) }
  })
}

const anchorOf = ({ anchor }: Construction, parts: Part[], root: string): Panel =>
  (anchor.part === root ? anchor : parts.find(({ key }) => key === root)?.panels[0]) ?? anchor

/** What hangs together with the card's own part after a step; nothing while nothing has been put on it. */
export function cardAfter(card: Construction, step: number): Construction | undefined {
  const put = new Set(card.steps.slice(0, step + 1).flatMap(({ puts }) => puts))
  const keys = new Set([card.anchor.part])
  const joints = card.joints.filter(({ part }) => put.has(part))
  for (let grown = true; grown;) {
    grown = false
    for (const { part, onto } of joints) {
      if (!keys.has(onto.part) || keys.has(part)) continue
      keys.add(part)
      grown = true
    }
  }
  if (keys.size < 2) return undefined
  return {
    ...card, parts: card.parts.filter(({ key }) => keys.has(key)),
    joints: joints.filter(({ onto }) => keys.has(onto.part)),
  }
}

/** A drawn assembly: panels from back to front, and from where it is seen best. */
export interface Stage {
  panels: DrawnPanel[]
  opening: number
  /** Seen from the other side than the card is shown from. */
  behind: boolean
}

const OPEN = [0.75, 1, 0.5, 0]
/** Points across a panel at which it is asked whether something lies over it. */
const PROBES = [0.15, 0.5, 0.85]

/**
 * The views and openings in which most is to be seen of the pieces that come, the nearest to how the card is usually
 * shown: one, and another one for pieces that are not to be seen in the first.
 */
export function stagesOf(
  { card, coming }: Assembly, view: View, fronts: (part: string) => 'inside' | 'outside' = () => 'inside',
): Stage[] {
  const all = [false, true].flatMap(behind => OPEN.map((opening) => {
    const panels = drawFolded(card, opening, behind ? { turn: view.turn + 180, tilt: view.tilt } : view)
    return { panels, opening, behind, seen: seenOf(panels, coming, fronts) }
  }))
  const seenIn = ({ seen }: (typeof all)[number], parts: Iterable<string>) =>
    [...parts].reduce((sum, part) => sum + (seen.get(part) ?? 0), 0)
  const best = (parts: string[]) => all.reduce((most, stage) =>
    // A little more to be seen is not worth a view that nobody knows.
    (seenIn(stage, parts) > seenIn(most, parts) * 1.1 + 1 ? stage : most))
  const first = best([...coming])
  const largest = new Map([...coming].map(part => [part, Math.max(...all.map(({ seen }) => seen.get(part) ?? 0))]))
  const hidden = [...coming].filter(part => (first.seen.get(part) ?? 0) < (largest.get(part) ?? 0) / 4)
  return hidden.length > 0 ? [first, best(hidden)] : [first]
}

/** Square nanometres of each piece that are seen from its front and that nothing lies over. */
function seenOf(
  panels: DrawnPanel[], coming: ReadonlySet<string>, fronts: (part: string) => DrawnPanel['face'],
): Map<string, number> {
  const shown = panels.flatMap((panel, at) =>
    coming.has(panel.part) && panel.face === fronts(panel.part) ? [{ panel, at }] : [],
  )
  return tally(shown, ({ panel }) => panel.part, ({ panel, at }) => {
    const xs = panel.points.map(([x]) => x)
    const ys = panel.points.map(([, y]) => y)
    const [left, right, top, foot] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
    const probes = PROBES.flatMap(a => PROBES.map(b => [left + (right - left) * a, top + (foot - top) * b] as const))
      .filter(probe => inside(panel.points, probe))
    const over = panels.slice(at + 1)
    const free = probes.filter(probe => !over.some(other =>
      inside(other.points, probe) && !other.holes.some(hole => inside(hole, probe))))
    return polygonArea(panel.points) * (free.length / Math.max(1, probes.length))
  })
}

/** Joints of the parts that come in a step. */
export const jointsAt = (card: Construction, step: number): Joint[] =>
  card.joints.filter(({ part }) => card.steps[step]?.puts.includes(part))
