import { itemAt } from '../lists'
import type { CutNode, Cutter, Work } from './plan'
import { contentOf } from './plan'

/** Alike parts of one cut node. */
export interface AlikeParts {
  node: CutNode
  /** Where each of them begins, from the start of the cut node. */
  offsets: number[]
}

export function groupsOf({ side, parts }: CutNode & { kind: 'cut' }, kerf: number): AlikeParts[] {
  const groups = new Map<string, AlikeParts>()
  let offset = 0
  for (const part of parts) {
    const content = contentOf(part)
    const group = groups.get(content) ?? { node: part, offsets: [] }
    group.offsets.push(offset)
    groups.set(content, group)
    offset += part[side] + kerf
  }
  return [...groups.values()]
}

/** What is known of a cut node, whichever pile it lies in. */
export interface CutKind {
  side: 'width' | 'height'
  size: number
  groups: { size: number, count: number, leftover: boolean, child: number }[]
  /** Settings wanted by it and by what comes off it, two words of bits. */
  fences: readonly [number, number]
}

/** Cut nodes that are alike, by numbers: what comes off them, and what is still to do inside of them. */
export class CutKinds {
  readonly all: CutKind[] = []
  private readonly numbers = new Map<string, number>()
  private readonly fences: number[] = []
  private readonly ahead = new Map<number, number>()

  constructor(private readonly cutter: Cutter, private readonly work: Work) {}

  kindOf(node: CutNode & { kind: 'cut' }): number {
    const content = contentOf(node)
    const known = this.numbers.get(content)
    if (known !== undefined) return known
    const at = this.all.length
    this.numbers.set(content, at)
    const kind: CutKind = { side: node.side, size: node[node.side], groups: [], fences: [0, 0] }
    this.all.push(kind)
    const wanted: [number, number] = [0, 0]
    for (const { node: part, offsets } of groupsOf(node, this.cutter.kerf)) {
      const child = part.kind === 'cut' ? this.kindOf(part) : -1
      const leftover = part.kind === 'offcut' || part.kind === 'waste'
      kind.groups.push({ size: part[node.side], count: offsets.length, leftover, child })
      if (!leftover) {
        const bit = this.bitOf(part[node.side])
        if (bit < 62) wanted[bit < 31 ? 0 : 1] |= 1 << (bit % 31)
      }
      if (child >= 0) {
        const { fences: [low, high] } = itemAt(this.all, child)
        wanted[0] |= low
        wanted[1] |= high
      }
    }
    kind.fences = wanted
    return at
  }

  bitOf(fence: number): number {
    const known = this.fences.indexOf(fence)
    return known < 0 ? this.fences.push(fence) - 1 : known
  }

  /** Strokes, taking up and turning of what is still inside some of a kind, in seconds. */
  inside(kind: number, quantity: number): number {
    const key = kind * 1e6 + quantity
    const known = this.ahead.get(key)
    if (known !== undefined) return known
    const { pace } = this.work
    const stacks = this.stacks(quantity)
    const { groups } = itemAt(this.all, kind)
    const all = groups.reduce((sum, { count, leftover, child }) =>
      sum + (leftover ? 0 : count * stacks * pace.stroke)
      + (child < 0
        ? 0
        : this.stacks(count * quantity) * (pace.handling / 2 + pace.turning) + this.inside(child, count * quantity)),
    0,
    )
    this.ahead.set(key, all)
    return all
  }

  readonly stacks = (quantity: number) => Math.ceil(quantity / this.cutter.stack)

  /** The number of a setting of the fence; −1 where nothing wants it. */
  settingOf(fence: number): number {
    return this.fences.indexOf(fence)
  }
}
