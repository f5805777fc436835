import type { RuleHold } from './vocabulary'

/**
 * The rules by which prints are shared out among the kits, in the order in which they are shown. What breaks one: two
 * `faces` of a kit that are of one print (which two, `core/batch/apart.ts` says), two `kits` of a card that are alike,
 * or `prints` of a pool that are used too much or too little.
 */
export const RULES = {
  touching: {
    among: 'faces', name: 'Faces that touch when closed differ', beside: 'alike where they touch',
    natural: { hold: 'wish', weight: 20 },
  },
  neighbours: {
    among: 'faces', name: 'Neighbours on the open card differ', beside: 'alike side by side',
    natural: { hold: 'wish', weight: 10 },
  },
  different: {
    among: 'kits', name: 'No two kits alike', beside: 'like another bag',
    natural: { hold: 'wish', weight: 10 },
  },
  evenly: {
    among: 'prints', name: 'Prints are used about equally', beside: '',
    natural: { hold: 'wish', weight: 1 },
  },
} as const satisfies Record<string, Rule>

interface Rule {
  among: 'faces' | 'kits' | 'prints'
  /** As a maker says it. */
  name: string
  /** How a kit is marked that does not keep it. */
  beside: string
  /** What a new class starts with; a sheet weighs 100. */
  natural: { hold: RuleHold, weight: number }
}

export type RuleName = keyof typeof RULES
/** Rules about two faces of a kit. */
export type FaceRule = { [name in RuleName]: typeof RULES[name]['among'] extends 'faces' ? name : never }[RuleName]

export const RULE_NAMES = Object.keys(RULES) as RuleName[]
export const FACE_RULES = RULE_NAMES.filter((rule): rule is FaceRule => RULES[rule].among === 'faces')

/** Something for each rule. */
export const forRules = <Value>(of: (rule: RuleName) => Value): Record<RuleName, Value> =>
  Object.fromEntries(RULE_NAMES.map(rule => [rule, of(rule)])) as Record<RuleName, Value>
