import { ValidateBy } from 'class-validator'
import { isRecord } from '../lists'
import type { Turn } from './vocabulary'
import { TURNS } from './vocabulary'
import { CHECKS, lengthProblem } from './validators'

/** How deep cuts may lie in each other: far more than any layout has. */
const DEEPEST = 24
const TREE_NAMES = ['width', 'height', 'side', 'parts', 'piece', 'turned']

/** A cut tree of at most some parts: sizes with units, a side where it is parted, the piece where it is one. */
export const IsCutTree = (parts: number): PropertyDecorator =>
  ValidateBy({
    name: CHECKS.tree,
    constraints: [parts],
    validator: {
      validate: value => treeProblem(value, parts) === undefined,
      defaultMessage: args => treeProblem(args?.value, parts) ?? 'is a cut tree',
    },
  })

function treeProblem(root: unknown, most: number): string | undefined {
  const open: [node: unknown, path: string, depth: number][] = [[root, 'the tree', 0]]
  for (let next = open.pop(), seen = 0; next; next = open.pop(), seen++) {
    const [node, path, depth] = next
    if (seen > most) return `holds at most ${most} parts`
    if (depth > DEEPEST) return `parts are nested at most ${DEEPEST} deep`
    if (!isRecord(node)) return `${path} is an object with width and height, and side and parts where it is cut`
    const strange = Object.keys(node).find(name => !TREE_NAMES.includes(name))
    if (strange) return `${path}.${strange} is not known here; check its spelling`
    for (const side of ['width', 'height']) {
      const problem = lengthProblem(node[side])
      if (problem) return `${path}.${side} ${problem}`
    }
    if (node.turned !== undefined && typeof node.turned !== 'boolean') return `${path}.turned is true or false`
    if ((node.side === undefined) !== (node.parts === undefined)) return `${path} has both side and parts, or neither`
    if (node.side !== undefined && node.side !== 'width' && node.side !== 'height')
      return `${path}.side is one of: width, height`
    if (node.piece !== undefined) {
      const problem = node.parts === undefined ? pieceProblem(node.piece) : 'is not parted any further'
      if (problem) return `${path}.piece ${problem}`
    }
    if (node.parts === undefined) continue
    if (!Array.isArray(node.parts) || node.parts.length === 0) return `${path}.parts is a list of parts`
    node.parts.forEach((part, index) => open.push([part, `${path}.parts[${index}]`, depth + 1]))
  }
  return undefined
}

function pieceProblem(piece: unknown): string | undefined {
  if (!isRecord(piece)) return 'is an object: width, height, turn'
  for (const side of ['width', 'height']) {
    const problem = lengthProblem(piece[side])
    if (problem) return `${side} ${problem}`
  }
  return TURNS.includes(piece.turn as Turn) ? undefined : `turn is one of: ${TURNS.join(', ')}`
}
