import { byKey, count } from '../lists'
import type { RuleName } from '../document'
import { RULES, RULE_NAMES } from '../document'
import type { Sharing } from '../sharing'
import { impossible } from '../sharing'
import { bagLabel, seatOf, unmetWishes } from './bags'
import type { ClassFinding } from './class-finding'
import type { Preparation } from './prepare'

/** What a sharing takes and proves, in words; nothing while its sheets are not known. */
export function sharingInWords({ sheets, bound = 0, missing }: Sharing): string | undefined {
  if (sheets === undefined) return undefined
  if (missing > 0) return `${count(sheets, 'sheet')}, which do not suffice for ${count(missing, 'kit')}`
  return `${count(sheets, 'sheet')}: ${sheets <= bound ? 'fewer are impossible' : `fewer than ${bound} are impossible`}`
}

/** What is found about who gets what: rules that nobody can keep, wishes that are not met, names without a seat. */
export function sharingFindings(preparation: Preparation): ClassFinding[] {
  const unkept = impossibleRules(preparation)
  // Kits that differ only in how they are made ready say the same.
  const once = unkept.filter(({ subject, problem }, at) =>
    unkept.findIndex(other => other.subject === subject && other.problem === problem) === at)
  return [
    ...once,
    ...(unkept.length === 0 ? brokenRules(preparation) : []),
    ...shortPrints(preparation),
    ...unmet(preparation),
    ...unseated(preparation),
  ]
}

const onCard = ({ batch }: Preparation, card: string) => ({ card, title: byKey(batch.cards, card).title })

/** Rules that nobody can keep, however prints are shared out. */
function impossibleRules(preparation: Preparation): ClassFinding[] {
  const { sharing } = preparation
  if (!sharing) return []
  return impossible(sharing.problem).map(({ kind, rule, combinations }) => {
    const of = byKey(sharing.problem.kinds, kind)
    const name = rule === 'pool' ? '' : RULES[rule].name
    const why = rule === 'different'
      ? `only ${count(combinations ?? 0, 'kit')} can differ, and ${of.kits} are wanted. `
      + 'Put another print into a pool, or make the rule a wish.'
      : rule === 'pool'
        ? 'is cut from a pool without papers. Put one into it.'
        : 'its pools have too few prints for that. Put another one in, or make the rule a wish.'
    const problem = name ? `cannot keep “${name}”: ${why}` : why
    return { severity: 'stop', subject: of.name, problem, place: 'papers', ...onCard(preparation, of.card) }
  })
}

/** Rules that must be kept and are not, with the sheets that can be had. */
function brokenRules(preparation: Preparation): ClassFinding[] {
  const { sharing } = preparation
  if (!sharing?.isSettled || sharing.sharing.missing > 0) return []
  const { problem: { rules, kinds }, sharing: { broken } } = sharing
  return RULE_NAMES.filter(rule => rules[rule].hold === 'must' && broken[rule] > 0).map(rule => ({
    severity: 'stop', subject: 'Prints', place: 'papers', ...onCard(preparation, kinds[0]?.card ?? ''),
    problem:
      `cannot keep “${RULES[rule].name}” with the sheets that can be had: ${inWords(rule, broken[rule])}. `
      + 'Buy a sheet of another print, put one more into the pool, give back what was dealt by hand, or make the rule a wish.',
  }))
}

function inWords(rule: RuleName, times: number): string {
  const { among } = RULES[rule]
  if (among === 'kits') return `${count(times, 'kit')} would be like another one`
  return among === 'prints' ? `${count(times, 'print')} too many or too few` : `it would be broken ${times} ×`
}

function shortPrints(preparation: Preparation): ClassFinding[] {
  const { sharing } = preparation
  if (!sharing?.isSettled || sharing.sharing.missing === 0) return []
  return [{
    severity: 'warn',
    subject: 'Prints',
    problem: `do not suffice for ${count(sharing.sharing.missing, 'kit')}: the sheets of the pools are used up. `
      + 'Buy sheets, or put another print into a pool.',
    ...onCard(preparation, sharing.problem.kinds[0]?.card ?? ''),
  }]
}

/** Wishes for a colourway that are not met. */
function unmet(preparation: Preparation): ClassFinding[] {
  const { batch, cards } = preparation
  const handed = new Map(cards.map(({ entry, dealt }) => [entry.key, dealt]))
  return unmetWishes(batch, handed).map(({ bag, card, colourway, isGone }) => {
    const { name } = seatOf(batch, bag)
    const entry = byKey(batch.cards, card)
    const wish = entry.colourways.find(({ key }) => key === colourway)?.name ?? colourway
    return {
      severity: 'warn',
      subject: name || bagLabel(bag),
      problem: isGone
        ? `wishes for the colourway “${wish}” of ${entry.title}, which there is no more.`
        : `wishes for ${entry.title} in ${wish}, of which there are too few kits. Make more of it, or leave their number open.`,
      ...onCard(preparation, card),
    }
  })
}

/** Names at seats that the class does not have. */
function unseated(preparation: Preparation): ClassFinding[] {
  const { batch: { roster, class: { seats, spares }, sharing: { surplus } }, cards: [first] } = preparation
  const mostOf = (key: string) => (key.startsWith('seat') ? seats : key.startsWith('spare') ? spares : surplus)
  const beyond = roster.filter(({ key, name }) => name !== '' && Number(key.split('-')[1]) > mostOf(key))
  if (beyond.length === 0 || !first) return []
  return [{
    severity: 'warn',
    subject: beyond.map(({ name }) => name).join(', '),
    problem: `${beyond.length === 1 ? 'has' : 'have'} no seat: the class has ${seats}. `
      + 'Raise the seats, or take the name out.',
    ...onCard(preparation, first.entry.key),
  }]
}
