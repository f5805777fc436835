import type { Polygon } from './clipping'
import type { Construction, Finding, Panel, Part, PartWork } from '../folds'
import { face as onlyPanel } from '../folds'
import { techniqueOf } from '../making'
import { intersection } from './clipping'
import { faceAt } from './faces'
import { sideWords } from './held'
import { areaOfAll, seenFaces } from './seen'
import { workSubject } from './works'

const MICRO = 1000
/** So much of a work, as share, may be hidden without a word. */
const HIDDEN = 0.05

/**
 * What is done where it is never seen as a whole, closed or open, and wordings that do not stand upright when the card
 * is looked at. It takes clipping, so it waits until the card has settled.
 */
export function worksUnseen(card: Construction): Finding[] {
  return card.parts.flatMap(part => (part.works ?? []).flatMap((work): Finding[] => {
    const panel = panelUnder(part, work)
    if (!work.box || !panel || techniqueOf(work.technique).when === 'put on') return []
    const seen = seenFaces(card).find(face => face.side === work.side && face.panel === panel)
    if (!seen) return []
    const about = {
      subject: workSubject(work), part: part.key,
      parameter: `${work.path}/left`,
    }
    const { x, y, width, height } = work.box
    const [left, foot] = [(x - panel.x.value) / MICRO, (y - panel.y.value) / MICRO]
    const [right, head] = [left + width / MICRO, foot + height / MICRO]
    const box: Polygon = [[[left, foot], [right, foot], [right, head], [left, head]]]
    const shown = [seen.open, seen.closed].map(all => areaOfAll(intersection(all, box)))
    const share = Math.max(...shown) / areaOfAll([box])
    if (share < HIDDEN) return [{
      ...about, severity: 'warn',
      problem: 'lies where nobody sees it: something covers it, closed and open. Put it where it shows, or leave it out.',
    }]
    if (share < 1 - HIDDEN) return [{
      ...about, severity: 'warn',
      problem: `is hidden in part: something lies over ${Math.round((1 - share) * 100)} % of it. Move it, or make it `
        + 'smaller.',
    }]
    return work.isWording ? uprightFinding(card, part, work, about) : []
  }))
}

/** The panel that a work lies on: its own, or the only one. */
const panelUnder = (part: Part, work: PartWork): Panel | undefined =>
  (work.panel === undefined
    ? part.panels.length === 1 ? onlyPanel(part) : undefined
    : part.panels.find(({ key }) => key === work.panel))

/** A wording is read with its own top up. Turned by the angle that its side calls for, nothing is said. */
function uprightFinding(
  card: Construction, part: Part, { turn, panel: key, side }: PartWork,
  about: Pick<Finding, 'subject' | 'part' | 'parameter'>,
): Finding[] {
  const joint = card.joints.find(({ part: own }) => own === part.key)
  const own = key === undefined ? undefined : part.panels.find(panel => panel.key === key)
  const lying = own ? { onto: own, face: side } : joint?.turned === 0 ? joint : undefined
  const face = lying && faceAt(card, lying)
  if (!face) return []
  const upright = { head: 0, foot: 180, left: -90, right: 90 }[sideWords(card, face).top]
  const off = ((turn - upright) % 360 + 360) % 360
  if (off < 45 || off > 315) return []
  return [{
    ...about, severity: off > 135 && off < 225 ? 'warn' : 'note',
    problem: off > 135 && off < 225
      ? `stands upside down when the card is looked at: turn it by ${upright === 0 ? 0 : 180}°.`
      : 'reads sideways when the card is looked at.',
  }]
}
