import type { Length, Units } from '../../lengths'
import { formatLength, isOnMark, nearestMark } from '../../lengths'
import type { Construction, Finding } from './card'
import { isWhole } from './card'
import { rule } from './rules'

/** Checks every construction gets from the model, whatever its design says. */
export function modelFindings(construction: Construction, units: Units, mark: Length): Finding[] {
  const show = (length: Length) => formatLength(length, units, { unit: true })
  return [...missingParts(), ...brokenParts(), ...unmarkedEdges(), ...narrowGlue(), ...smallMessage()]

  function missingParts(): Finding[] {
    return construction.parts.filter(part => part.width.value <= 0 || part.height.value <= 0).map(part => ({
      severity: 'stop',
      subject: part.name,
      part: part.key,
      problem: `would be ${show(part.width.value)} × ${show(part.height.value)}: nothing is left of it. Make its border smaller or its panel larger.`,
    }))
  }

  function brokenParts(): Finding[] {
    return construction.parts.filter(part => part.width.value > 0 && part.height.value > 0 && !isWhole(part)).map((part) => {
      const wrong = part.panels.find(panel => panel.width.value <= 0 || panel.height.value <= 0)
      return {
        severity: 'stop',
        subject: part.name,
        part: part.key,
        problem: wrong
          ? `leaves ${show(wrong.width.value)} × ${show(wrong.height.value)} for ${wrong.name}. Make its neighbours smaller.`
          : `is too small: ${part.panels.find(({ x, y, width, height }) => x.value < 0 || y.value < 0 || x.value + width.value > part.width.value || y.value + height.value > part.height.value)!.name} does not lie on it.`,
      }
    })
  }

  function unmarkedEdges(): Finding[] {
    return construction.parts.flatMap(part => ([['width', part.width], ['height', part.height]] as const)
      .filter(([, measure]) => measure.value > 0 && !isOnMark(measure.value, mark))
      .map(([side, measure]): Finding => ({
        severity: 'note',
        subject: `${part.name} ${side}`,
        part: part.key,
        problem: `is ${show(measure.value)}, which your trimmer has no mark for. The nearest mark is ${show(nearestMark(measure.value, mark))}.`,
      })))
  }

  function narrowGlue(): Finding[] {
    const least = rule('glueWidth', units)
    return construction.joints.filter(({ means }) => means === 'tape' || means === 'foam').flatMap((joint) => {
      const narrow = Math.min(joint.glue.width.value, joint.glue.height.value) as Length
      if (narrow <= 0 || narrow >= least.value) return []
      const name = construction.parts.find(part => part.key === joint.part)!.name
      return [{ severity: 'warn', subject: name, part: joint.part, problem: `is glued over only ${show(narrow)}; ${show(least.value)} is the least that holds.` }]
    })
  }

  function smallMessage(): Finding[] {
    const least = rule('messageSide', units)
    const { message } = construction
    if (!message || Math.min(message.width.value, message.height.value) >= least.value) return []
    return [{
      severity: 'warn',
      subject: 'Message area',
      problem: `on ${message.where} is ${show(message.width.value)} × ${show(message.height.value)}; for handwriting each side should be at least ${show(least.value)}.`,
    }]
  }
}
