import type { PartEntry } from '../document'
import type { Construction, Joint } from '../folds'
import type { Length, Units } from '../lengths'
import { AS_DRAWN } from '../folds'
import { formatLength } from '../lengths'
import { LAST, foamOf, holdWords, meansOf, ownStep } from './parts'
import { addWorks } from './works'

/**
 * Parts of the fold itself that are held or made otherwise than the catalogue has them: every joint of such a part
 * takes the new hold, but those that run in a guide; steps, usage and thickness follow. Changes the card that it is
 * given.
 */
export function dressParts(card: Construction, entries: PartEntry[], units: Units, mark: Length): void {
  for (const entry of entries) {
    const at = card.parts.findIndex(({ key }) => key === entry.key)
    const before = card.parts[at]
    // A part that the card does not have at the moment keeps its entry for when it comes back.
    if (!before) continue
    const part = { ...before }
    card.parts[at] = part
    const step = card.steps.findIndex(({ puts }) => puts.includes(part.key))
    if (entry.hold !== null) {
      const { hold } = entry
      const held = { means: meansOf(hold), foam: foamOf({ hold, foam: entry.foam }) }
      card.joints = card.joints.map((joint): Joint =>
        joint.part === part.key && joint.means !== 'held' ? { ...joint, ...held } : joint,
      )
      const how = holdWords({ hold, foam: entry.foam }, show)
      const words = `${part.name}: it is held ${how}, whatever else is said of that.`
      const told = card.steps[step]
      // What is said of layers follows from how they are held.
      if (told) card.steps[step] = told.lays ? told : { ...told, text: `${told.text} ${words}` }
      else card.steps.push({ ...ownStep(`held--${part.key}`, LAST), text: words, works: [part.key] })
    }
    const panel = part.panels.length === 1 ? part.panels[0] : undefined
    const own = { part, panel, side: 'inside' as const, path: `parts/${entry.key}/works` }
    addWorks(card, own, entry.works, units, mark, () => AS_DRAWN)
  }

  function show(length: Length): string {
    return formatLength(length, units, { unit: true })
  }
}

/** The parts of a fold that a maker may hold or make otherwise: not the layers on its faces, nor what was put on it. */
export const ownParts = (
  { parts }: Pick<Construction, 'parts'>, isOthers: (key: string) => boolean,
): Construction['parts'] =>
  parts.filter(({ key, kind }) => kind !== 'mat' && kind !== 'underlay' && kind !== 'message' && !isOthers(key))
