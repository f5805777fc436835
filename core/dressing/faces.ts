import type { Construction, DrawnPanel, Face, Joint, Panel, Part } from '../folds'
import { drawFolded, face as onlyPanel, isLayer } from '../folds'
import { byKey } from '../lists'

/** One side of one panel, which can be dressed. */
export interface CardFace {
  /** Part, panel and side, as a class keeps it. */
  key: string
  name: string
  part: Part
  panel: Panel
  side: Face
}

const SIDES: readonly Face[] = ['inside', 'outside']

export const faceKey = ({ part, key }: Pick<Panel, 'part' | 'key'>, side: Face): string => `${part}--${key}--${side}`

/** Every face of a card: both sides of every panel that is no layer itself. */
export const facesOf = ({ parts }: Pick<Construction, 'parts'>): CardFace[] =>
  parts
    .filter(({ kind }) => !isLayer(kind))
    .flatMap(part =>
      part.panels.flatMap(panel =>
        SIDES.map(side => ({ key: faceKey(panel, side), name: nameOf(part, panel, side), part, panel, side })),
      ),
    )

/** `Left door, outside`; of a flat piece the front and the back. */
function nameOf(part: Part, panel: Panel, side: Face): string {
  if (part.panels.length > 1 || part.kind === 'base') return `${panel.name}, ${side}`
  return `${part.name}, ${side === 'inside' ? 'front' : 'back'}`
}

/**
 * What lies in layers on one side of a panel: joints from the lowest up, of several beside each other one after the
 * other.
 */
export function layersOn({ parts, joints }: Pick<Construction, 'parts' | 'joints'>, panel: Panel, side: Face): Joint[] {
  const found: Joint[] = []
  lying(panel, side)
  return found

  function lying(on: Panel, seen: Face): void {
    for (const joint of joints) {
      const { part: key, onto, face } = joint
      if (face !== seen || onto.key !== on.key || onto.part !== on.part) continue
      const part = byKey(parts, key)
      if (!isLayer(part.kind)) continue
      found.push(joint)
      lying(onlyPanel(part), 'inside')
    }
  }
}

/** The face that a layer lies on in the end, or that the side of a panel is. */
export function faceAt(
  card: Pick<Construction, 'parts' | 'joints'>, seen: { onto: Panel, face: Face },
): CardFace | undefined {
  const faces = facesOf(card)
  let at: typeof seen | undefined = seen
  // A layer lies on a layer at most as often as there are joints.
  for (let steps = 0; at && steps <= card.joints.length; steps++) {
    const here: typeof seen = at
    const found = faces.find(({ panel, side }) => panel === here.onto && side === here.face)
    if (found) return found
    at = card.joints.find(({ by }) => by === here.onto)
  }
}

/** The face that is seen where a drawing shows a panel: its own, or the one that it lies on as a layer. */
export function faceSeen(card: Construction, seen: Pick<DrawnPanel, 'part' | 'panel' | 'face'>): CardFace | undefined {
  const { part: key, panel, face } = seen
  const part = byKey(card.parts, key)
  const onto = part.panels.find(candidate => candidate.key === panel)
  return onto && faceAt(card, { onto, face: isLayer(part.kind) ? 'inside' : face })
}

/** The face that is seen from the front of the closed card, where most of what decorates it lies. */
export function frontFace(card: Construction): CardFace | undefined {
  const seen = drawFolded(card, 0, { turn: 0, tilt: 0 }).at(-1)
  return seen && faceSeen(card, seen)
}
