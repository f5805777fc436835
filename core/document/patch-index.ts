import type { Patch, Path } from './patches'
import { touches } from './patches'

interface Node {
  children: Map<string, Node>
  patches: Patch[]
  /** What the patches say, each once; written when it is first asked for. */
  texts?: Set<string>
}

/**
 * Some patches, found by what they touch: asking about one costs as much as it says, however many there are.
 */
export class PatchIndex {
  private readonly root: Node = { children: new Map(), patches: [] }

  constructor(patches: readonly Patch[]) {
    for (const patch of patches) {
      let node = this.root
      for (const name of touches(patch)) {
        let next = node.children.get(name)
        if (!next) node.children.set(name, (next = { children: new Map(), patches: [] }))
        node = next
      }
      node.patches.push(patch)
    }
  }

  /** Whether one of them says exactly the same. */
  says(patch: Patch): boolean {
    const node = this.nodeAt(touches(patch))
    return node !== undefined && textsOf(node).has(textOf(patch))
  }

  /** Whether one of them touches exactly the same. */
  touchesSame(patch: Patch): boolean {
    return (this.nodeAt(touches(patch))?.patches.length ?? 0) > 0
  }

  /**
   * The paths at which a patch collides with some of them, the wider of each two: where both touch the same thing, or
   * one something inside what the other touches, and do not say the same.
   */
  collisions(patch: Patch): Path[] {
    const own = touches(patch)
    const found: Path[] = []
    let node: Node | undefined = this.root
    for (const [depth, name] of own.entries()) {
      if (node.patches.length > 0) found.push(own.slice(0, depth))
      node = node.children.get(name)
      if (!node) return found
    }
    if (node.children.size > 0 || saysOther(node, patch)) found.push(own)
    return found
  }

  private nodeAt(path: Path): Node | undefined {
    return path.reduce<Node | undefined>((node, name) => node?.children.get(name), this.root)
  }
}

function saysOther(node: Node, patch: Patch): boolean {
  if (node.patches.length === 0) return false
  const texts = textsOf(node)
  return texts.size > 1 || !texts.has(textOf(patch))
}

const textsOf = (node: Node): Set<string> => (node.texts ??= new Set(node.patches.map(textOf)))

/** A patch as text that is the same for all that say the same, in whichever order their properties stand. */
const textOf = (patch: Patch): string =>
  JSON.stringify(patch, (_, value: unknown) => {
    if (value === undefined) return { '(nothing)': true }
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
    return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)))
  })

/** The paths at which some changes collide with others: the wider one of each two. */
export function collisions(mine: readonly Patch[], theirs: readonly Patch[]): Path[] {
  const index = new PatchIndex(theirs)
  const paths = new Map(mine.flatMap(patch => index.collisions(patch)).map(path => [path.join('\n'), path]))
  return [...paths.values()]
}
