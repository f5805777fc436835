import type { Length, Units } from '../../lengths'
import { formatLength, isOnMark, nearestMark } from '../../lengths'
import type { Construction, Finding } from './card'
import { rule } from './rules'

/** Checks every construction gets from the model, whatever its design says. */
export function modelFindings(construction: Construction, units: Units, mark: Length): Finding[] {
  const show = (length: Length) => formatLength(length, units, { unit: true })
  return [...missingParts(), ...unmarkedEdges(), ...narrowGlue(), ...smallMessage()]

  function missingParts(): Finding[] {
    return construction.parts.filter(part => part.width.value <= 0 || part.height.value <= 0).map(part => ({
      severity: 'stop',
      subject: part.name,
      part: part.key,
      problem: `would be ${show(part.width.value)} × ${show(part.height.value)}: nothing is left of it. Make its border smaller or its panel larger.`,
    }))
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
    return construction.joints.flatMap((joint) => {
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
