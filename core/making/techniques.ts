/* What is done to pieces, in one table. It knows nothing of cards. */

/** What a class shares, so that there are queues for it. */
export type SharedTool = 'machine' | 'heat tool'

export interface Technique {
  /** As a form says it, and as a step begins. */
  name: string
  /** What a piece is called that it was done to: `stamped`. */
  done: string
  /** What it is done with, as a question of the form: `ink`. */
  using: string
  /** How the step says it of a piece, and of what it shows on the piece. */
  piece: (piece: string) => string
  shown: (shows: string, piece: string) => string
  /** Natural minutes of hands for one impression or piece, and of waiting before it may be touched. */
  minutes: number
  waiting: number
  /** Ink, paint or glue that coated paper does not take. */
  wet: boolean
  /** Heat that burns fingers and curls light paper. */
  hot: boolean
  /** Grams per square metre that its paper should have at least; nothing where any does. */
  least?: number
  /** What is shared that it takes. */
  tool?: SharedTool
  /** While the piece is flat and unglued, or once it is on its card. */
  when: 'flat' | 'put on'
  caution?: string
}

const on = (verb: string) => ({
  piece: (piece: string) => `${verb} ${piece}`,
  shown: (shows: string, piece: string) => `${verb} ${shows} on ${piece}`,
})
const out = (verb: string, how = '') => ({
  piece: (piece: string) => `${verb} ${piece}${how}`,
  shown: (shows: string, piece: string) => `${verb} ${shows} from ${piece}${how}`,
})
const dry = { wet: false, hot: false, waiting: 0, when: 'flat' as const }
const wet = { ...dry, wet: true, least: 160 }

/**
 * In the order in which they are natural for one piece: grounds before impressions, ink before relief, relief before
 * anything is cut away, and what is tied or set at the end.
 */
export const TECHNIQUES = {
  'trim': { ...dry, name: 'Trim', done: 'trimmed', using: 'tool', ...out('Trim'), minutes: 0.5 },
  'wash': { ...wet, name: 'Wash', done: 'washed', using: 'paint', ...on('Wash'), minutes: 2, waiting: 10, least: 200 },
  'spray': { ...wet, name: 'Spray', done: 'sprayed', using: 'colour', ...on('Spray'), minutes: 1, waiting: 5 },
  'blend': { ...wet, name: 'Blend', done: 'blended', using: 'inks', ...on('Blend'), minutes: 2.5, waiting: 1 },
  'sponge': { ...wet, name: 'Sponge', done: 'sponged', using: 'ink', ...on('Sponge'), minutes: 1.5, waiting: 1 },
  'stamp': { ...wet, name: 'Stamp', done: 'stamped', using: 'ink', ...on('Stamp'), minutes: 1, waiting: 1 },
  'heat-emboss': {
    ...wet, name: 'Heat-emboss', done: 'heat-embossed', using: 'ink and powder', ...on('Heat-emboss'), minutes: 2.5,
    waiting: 1, hot: true, tool: 'heat tool',
    caution: 'The tool and the powder are hot: hold the paper with tweezers, on a mat that bears heat.',
  },
  'colour in': {
    ...wet, name: 'Colour in', done: 'coloured', using: 'colours', ...on('Colour in'), minutes: 4, waiting: 1,
  },
  'draw': {
    ...dry, name: 'Draw', done: 'drawn on', using: 'pen', ...on('Draw'), piece: (piece: string) => `Draw on ${piece}`,
    minutes: 2,
  },
  'emboss': {
    ...dry, name: 'Emboss in a folder', done: 'embossed', using: 'folder', minutes: 1, tool: 'machine',
    piece: (piece: string) => `Emboss ${piece} in its folder`,
    shown: (shows: string, piece: string) => `Emboss ${shows} into ${piece}`,
    caution: 'Keep fingers out of the rollers of the machine.',
  },
  'die cut': {
    ...dry, name: 'Die cut', done: 'die cut', using: 'die', ...out('Die cut'), minutes: 1, tool: 'machine',
    caution: 'Keep fingers out of the rollers of the machine.',
  },
  'cut out': {
    ...dry, name: 'Cut out by hand', done: 'cut out', using: 'tool', ...out('Cut', ' out by hand'), minutes: 3,
    shown: (shows: string, piece: string) => `Cut ${shows} out of ${piece} by hand`,
    caution: 'Cut away from the body; a knife only on a mat.',
  },
  'punch': { ...dry, name: 'Punch', done: 'punched', using: 'punch', ...out('Punch'), minutes: 0.5 },
  'crease': {
    ...dry, name: 'Crease by hand', done: 'creased', using: 'bone tool', ...out('Crease', ' by hand'), minutes: 0.5,
  },
  'sew': {
    ...dry, name: 'Sew', done: 'sewn', using: 'thread', ...on('Sew'), minutes: 5, least: 200,
    caution: 'Prick the holes first, on a mat; needles are counted out and in again.',
  },
  'other': {
    ...dry, name: 'Something else', done: 'made ready', using: 'tool or material', ...on('Prepare'), minutes: 2,
  },
  'set': {
    ...dry, name: 'Set with a tool', done: 'set', using: 'fastener or eyelet', ...on('Set'), when: 'put on' as const,
    piece: (piece: string) => `Set the fastener in ${piece}`, minutes: 1,
    caution: 'Small parts are a choking hazard for small children.',
  },
  'tie': {
    ...dry, name: 'Tie', done: 'tied', using: 'ribbon or twine', ...on('Tie'), when: 'put on' as const, minutes: 2,
  },
  'write': {
    ...dry, name: 'Write', done: 'written on', using: 'pen', ...on('Write'), when: 'put on' as const, minutes: 2,
    piece: (piece: string) => `Write on ${piece}`,
  },
} as const satisfies Record<string, Technique>

export type TechniqueKey = keyof typeof TECHNIQUES
export const TECHNIQUE_KEYS = Object.keys(TECHNIQUES) as TechniqueKey[]
/** Its line of the table. */
export const techniqueOf = (key: TechniqueKey): Technique => TECHNIQUES[key]
/** What a drawing calls a work: what it shows, or what is done. */
export const nameOfWork = ({ shows, technique }: { shows: string, technique: TechniqueKey }): string =>
  shows || TECHNIQUES[technique].name
/** Its place among the works of one piece. */
export const placeOfTechnique = (key: TechniqueKey): number => TECHNIQUE_KEYS.indexOf(key)
/** What was done to a piece, each once: `stamped`, `die cut`. */
export const doneInWords = (works: readonly { technique: TechniqueKey }[] = []): string[] =>
  [...new Set(works.map(({ technique }) => TECHNIQUES[technique].done))]
