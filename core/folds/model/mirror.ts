import type { PrintTop } from '../../document'
import type { Measure } from '../../lengths'
import type { Construction, Joint, MessageArea, Panel, Part, Place, Point } from './card'

const TOPS: Record<PrintTop, PrintTop> = { top: 'top', bottom: 'bottom', left: 'right', right: 'left', any: 'any' }
const WORDS: Record<string, string> = { left: 'right', right: 'left', Left: 'Right', Right: 'Left' }
const words = (text: string) => text.replace(/\b(?:left|right)\b/gi, word => WORDS[word] ?? word)
const area = (message: MessageArea): MessageArea => ({ ...message, where: words(message.where) })

/**
 * The same card for the other hand: every part is drawn as in a mirror, keys and print stay. Folds keep their
 * direction, because the side that a panel comes up on follows from where it lies.
 */
export function mirrored(card: Construction): Construction {
  const panels = new Map<Panel, Panel>()
  const parts = card.parts.map(part => mirroredPart(part, panels))
  const panelOf = (panel: Panel): Panel => panels.get(panel) ?? panel
  const written = (message: MessageArea): MessageArea =>
    ({ ...area(message), on: message.on && { ...message.on, panel: panelOf(message.on.panel) } })
  const widths = new Map(parts.map(({ key, width }) => [key, width]))
  return {
    ...card,
    parts,
    anchor: panelOf(card.anchor),
    joints: card.joints.map((joint): Joint => {
      const { by, onto, x, turned, glue, slide } = joint
      // Turned by a right angle its box is as wide as it was high.
      const across = turned % 180 === 0 || turned % 90 !== 0 ? by.width : by.height
      const whole = widths.get(joint.part)
      return {
        ...joint,
        by: panelOf(by),
        onto: panelOf(onto),
        x: onto.width.minus(x).minus(across),
        turned: -turned,
        glue: whole ? { ...glue, x: whole.minus(glue.x).minus(glue.width) } : glue,
        slide: slide && ((opening) => {
          const [right, up] = slide(opening)
          return [-right, up]
        }),
      }
    }),
    steps: card.steps.map(step => ({ ...step, text: words(step.text), warning: step.warning && words(step.warning) })),
    message: card.message && written(card.message),
    alsoMessages: card.alsoMessages?.map(written),
    stamping: card.stamping.map(area),
    travels: card.travels.map(({ against, name, ...travel }) => ({
      ...travel, name: words(name), against: against && panelOf(against),
    })),
    hiding: card.hiding.map(panelOf),
    setUp: card.setUp.map(words),
    findings: card.findings.map(finding => ({
      ...finding, subject: words(finding.subject), problem: words(finding.problem),
    })),
  }
}

function mirroredPart(part: Part, panels: Map<Panel, Panel>): Part {
  const { width } = part
  const from = (x: Measure, wide: Measure) => width.minus(x).minus(wide)
  const place = ({ x, y }: Place): Place => ({ x: width.minus(x), y })
  const corners = (points: Point[]) => points.map(([x, y]): Point => [width.value - x, y]).reverse()
  return {
    ...part,
    name: words(part.name),
    printTop: TOPS[part.printTop],
    panels: part.panels.map((panel) => {
      const made: Panel = {
        ...panel,
        name: words(panel.name),
        x: from(panel.x, panel.width),
        outline: panel.outline && corners(panel.outline),
        holes: panel.holes?.map(corners),
      }
      panels.set(panel, made)
      return made
    }),
    creases: part.creases.map(crease => ({ ...crease, from: place(crease.from), to: place(crease.to) })),
    slits: part.slits.map(slit => ({ from: place(slit.from), to: place(slit.to) })),
    windows: part.windows.map(window => ({ ...window, name: words(window.name), x: from(window.x, window.width) })),
    outline: part.outline && corners(part.outline),
  }
}
