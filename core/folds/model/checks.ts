import { byKey, itemAt } from '../../lists'
import type { Length, Units } from '../../lengths'
import { formatLength, isOnMark, nanometres, nearestMark } from '../../lengths'
import type { Frame } from '../motion/frame'
import { subtract } from '../motion/frame'
import { boxOf, closedPose, panelKey, placed, poseOf } from '../motion/pose'
import type { Construction, Crease, Finding, Panel, Part } from './card'
import { isLayer, isWhole, panelOf } from './card'
import { rule } from './rules'

/** Creases that miss each other by less are one crease. */
const TORN = 10_000

/** How far the two panels at a crease hold it apart. */
function gapAt(part: Part, { between, from, to }: Crease, pose: ReadonlyMap<string, Frame>): number {
  const [a, b] = between.map((key) => {
    const panel = panelOf(part, key)
    const frame = pose.get(panelKey(panel))
    return (
      frame
      && placed(
        [from, to].map(({ x, y }) => [x.value, y.value] as const),
        panel,
        frame,
      )
    )
  })
  return a && b ? Math.max(...a.map((end, index) => Math.hypot(...subtract(end, itemAt(b, index))))) : 0
}

/** What is checked, and how its lengths are written. */
interface Checked {
  construction: Construction
  units: Units
  show: (length: Length) => string
}

/**
 * Checks every construction gets from the model, whatever its design says.
 * @param mark smallest mark of the trimmer; none where sizes between marks are known of already
 */
export function modelFindings(construction: Construction, units: Units, mark: Length | undefined): Finding[] {
  const checked = { construction, units, show: (length: Length) => formatLength(length, units, { unit: true }) }
  return [
    ...missingParts(checked),
    ...brokenParts(checked),
    ...unmarkedEdges(checked, mark),
    ...narrowGlue(checked),
    ...smallMessage(checked),
    ...tornCreases(checked),
    ...outsideOutline(checked),
  ]
}

function missingParts({ construction, show }: Checked): Finding[] {
  return construction.parts
    .filter(part => part.width.value <= 0 || part.height.value <= 0)
    .map(part => ({
      severity: 'stop',
      subject: part.name,
      part: part.key,
      problem:
        `would be ${show(part.width.value)} × ${show(part.height.value)}: nothing is left of it. Make its border `
        + `smaller or its panel larger.`,
    }))
}

function brokenParts({ construction, show }: Checked): Finding[] {
  return construction.parts
    .filter(part => part.width.value > 0 && part.height.value > 0 && !isWhole(part))
    .map((part) => {
      const wrong = part.panels.find(panel => panel.width.value <= 0 || panel.height.value <= 0)
      return {
        severity: 'stop',
        subject: part.name,
        part: part.key,
        problem: wrong
          ? `leaves ${show(wrong.width.value)} × ${show(wrong.height.value)} for ${wrong.name}. Make its neighbours smaller.`
          : `is too small: ${part.panels.find(panel => sticksOut(panel, part))?.name ?? 'a panel'} does not lie on it.`,
      }
    })
}

function unmarkedEdges({ construction, show }: Checked, mark: Length | undefined): Finding[] {
  if (mark === undefined) return []
  return construction.parts.flatMap(part =>
    (
      [
        ['width', part.width],
        ['height', part.height],
      ] as const
    )
      // What reads as the nearest mark does is cut at it by everybody.
      .filter(
        ([, { value }]) => value > 0 && !isOnMark(value, mark) && show(value) !== show(nearestMark(value, mark)),
      )
      .map(([side, measure]): Finding => ({
        severity: 'note',
        subject: `${part.name} ${side}`,
        part: part.key,
        problem: `is ${show(measure.value)}, which your trimmer has no mark for. The nearest mark is `
          + `${show(nearestMark(measure.value, mark))}.`,
      })),
  )
}

function narrowGlue({ construction, units, show }: Checked): Finding[] {
  const least = rule('glueWidth', units)
  return construction.joints
    .filter(({ means }) => means === 'tape' || means === 'strong tape' || means === 'foam')
    .flatMap((joint) => {
      const narrow = Math.min(joint.glue.width.value, joint.glue.height.value) as Length
      if (narrow <= 0 || narrow >= least.value) return []
      const name = byKey(construction.parts, joint.part).name
      return [
        {
          severity: 'warn',
          subject: name,
          part: joint.part,
          problem: `is glued over only ${show(narrow)}; ${show(least.value)} is the least that holds.`,
        },
      ]
    })
}

/** Where creases close a loop, as rails and band between slits do, both sides of each must meet. */
function tornCreases({ construction, show }: Checked): Finding[] {
  const looped = construction.parts.filter(part => isWhole(part) && part.creases.length >= part.panels.length)
  if (looped.length === 0) return []
  // Layers hold nothing else in its place.
  const folding = {
    ...construction, joints: construction.joints.filter(({ part }) => !isLayer(byKey(construction.parts, part).kind)),
  }
  return [0, 1]
    .flatMap((opening) => {
      const pose = opening === 0 ? closedPose(construction) : poseOf(folding, opening)
      return looped.flatMap((part) => {
        const gap = Math.max(...part.creases.map(crease => gapAt(part, crease, pose)))
        return gap < TORN
          ? []
          : [
              {
                severity: 'stop' as const,
                subject: part.name,
                part: part.key,
                problem:
                  `would tear ${opening === 0 ? 'when it is closed' : 'on display'}: its creases miss each other by `
                  + `${show(nanometres(gap))}. Rails and band must fold by angles that agree.`,
              },
            ]
      })
    })
    .slice(0, 1)
}

/** What the closed card shows beyond its outline, a band's ease aside. */
function outsideOutline({ construction, units, show }: Checked): Finding[] {
  if (construction.parts.some(part => !isLayer(part.kind) && !isWhole(part))) return []
  const { least, most } = boxOf(construction, closedPose(construction))
  const ease = rule('ease', units).value * 2
  return (
    [
      ['wide', most[0] - least[0], construction.finished.width.value],
      ['high', most[1] - least[1], construction.finished.height.value],
    ] as const
  )
    .filter(([, size, outline]) => size > outline + ease)
    .map(([way, size, outline]) => ({
      severity: 'warn',
      subject: 'Closed card',
      problem: `is ${show(nanometres(size))} ${way} where its outline is ${show(outline)}: something sticks out.`,
    }))
}

function smallMessage({ construction, units, show }: Checked): Finding[] {
  const least = rule('messageSide', units)
  const { message } = construction
  if (!message || Math.min(message.width.value, message.height.value) >= least.value) return []
  return [
    {
      severity: 'warn',
      subject: 'Message area',
      problem:
        `on ${message.where} is ${show(message.width.value)} × ${show(message.height.value)}; for handwriting each side `
        + `should be at least ${show(least.value)}.`,
    },
  ]
}

const sticksOut = ({ x, y, width, height }: Panel, part: Part): boolean =>
  x.value < 0 || y.value < 0 || x.value + width.value > part.width.value || y.value + height.value > part.height.value
