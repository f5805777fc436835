import type { CutNode, Plan, CuttingProblem } from './plan'

/**
 * Checks a plan against its problem from nothing but the rectangles in it; it
 * shares no code with the planner. Every violation is one sentence; an empty
 * list means the plan can be cut as it stands.
 */
export function verifyPlan(plan: Plan, problem: CuttingProblem): string[] {
  const violations: string[] = []
  const produced = new Map<string, number>()
  const opened = new Map<string, number>()
  plan.layouts.forEach((layout, index) => {
    const say = (what: string) => violations.push(`layout ${index + 1}: ${what}`)
    const supply = problem.supplies.find(candidate => candidate.key === layout.supply)
    if (!supply) return say(`sheet “${layout.supply}” is not in the supply`)
    if (!Number.isInteger(layout.repeats) || layout.repeats < 1) say(`is repeated ${layout.repeats} times`)
    opened.set(supply.key, (opened.get(supply.key) ?? 0) + layout.repeats)
    const sheet = new SheetCheck(supply, problem, say)
    for (const demand of sheet.check(layout.root))
      produced.set(demand, (produced.get(demand) ?? 0) + layout.repeats)
  })
  return [...violations, ...untrueSums(plan, problem, produced, opened)]
}

/** One sheet of a layout, walked part by part in coordinates. */
class SheetCheck {
  private readonly rectangles: { x: number, y: number, width: number, height: number }[] = []
  private readonly pieces: string[] = []
  /** What the blade takes away; square nanometres. */
  private dust = 0n

  constructor(
    private readonly supply: CuttingProblem['supplies'][number],
    private readonly problem: CuttingProblem,
    private readonly say: (what: string) => void,
  ) {}

  /** Checks the parts of the sheet; answers the keys of the pieces on it, each as often as it lies there. */
  check(root: CutNode): string[] {
    const { supply, rectangles, say } = this
    if (root.width !== supply.width || root.height !== supply.height) say('does not start from the whole sheet')
    this.walk(root, 0, 0)
    const covered = rectangles.reduce((sum, { width, height }) => sum + BigInt(width) * BigInt(height), this.dust)
    if (covered !== BigInt(supply.width) * BigInt(supply.height))
      say('pieces, offcuts and waste do not add up to the sheet')
    rectangles.forEach((a, i) =>
      rectangles.slice(i + 1).forEach((b) => {
        if (a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height)
          say('two parts overlap')
      }),
    )
    return this.pieces
  }

  private walk(node: CutNode, x: number, y: number): void {
    const { width, height } = node
    if (!Number.isSafeInteger(width) || !Number.isSafeInteger(height) || width <= 0 || height <= 0)
      return this.say(`a part measures ${width} × ${height}`)
    if (node.kind === 'cut') return this.part(node, x, y)
    this.place(node, x, y)
    if (node.kind === 'piece') this.piece(node)
  }

  /** A cut right across, and the parts on either side of it. */
  private part(node: Extract<CutNode, { kind: 'cut' }>, x: number, y: number): void {
    const { say } = this
    const { kerf, length } = this.problem.cutter
    const [along, across] = node.side === 'width' ? (['width', 'height'] as const) : (['height', 'width'] as const)
    const lost = node[along] - node.parts.reduce((sum, part) => sum + part[along], 0)
    const cuts = node.parts.length - 1
    if (cuts < 1 && lost === 0) say('a cut parts nothing')
    if (node.parts.some(part => part[across] !== node[across])) say('a cut does not go right across')
    // One more cut may take off less than a kerf.
    if (lost < cuts * kerf || lost > (cuts + 1) * kerf) say('the parts of a cut do not add up')
    this.dust += BigInt(lost) * BigInt(node[across])
    if (node[across] > length) say('a cut is longer than the trimmer')
    let offset = 0
    for (const part of node.parts) {
      if (node.side === 'width') this.walk(part, x + offset, y)
      else this.walk(part, x, y + offset)
      offset += part[along] + kerf
    }
  }

  /** What is not cut any further lies on the sheet, and within its margin where it is kept. */
  private place({ kind, width, height }: CutNode, x: number, y: number): void {
    const { supply, say } = this
    if (x < 0 || y < 0 || x + width > supply.width || y + height > supply.height) say('a part leaves the sheet')
    this.rectangles.push({ x, y, width, height })
    // Within its margin a fresh sheet is out of square: nothing that is kept may lie there.
    const margin = supply.kind === 'sheet' ? this.problem.cutter.squaring : 0
    const isInside
      = x >= margin && x + width <= supply.width - margin && y >= margin && y + height <= supply.height - margin
    if (kind !== 'waste' && !isInside) say('a part has an edge of the sheet that was never squared')
  }

  private piece(node: Extract<CutNode, { kind: 'piece' }>): void {
    const { say } = this
    const demand = this.problem.demands.find(({ key }) => key === node.demand)
    if (!demand) return say(`piece “${node.demand}” is not wanted`)
    const [width, height] = node.turned ? [demand.height, demand.width] : [demand.width, demand.height]
    if (node.width !== width || node.height !== height) say(`${demand.name} has the wrong size`)
    if (demand.turn !== 'either' && node.turned !== (demand.turn === 'turned'))
      say(`${demand.name} lies against the print direction`)
    this.pieces.push(demand.key)
  }
}

/** What a plan states that its layouts do not bear out. */
function untrueSums(
  plan: Plan, problem: CuttingProblem, produced: ReadonlyMap<string, number>, opened: ReadonlyMap<string, number>,
): string[] {
  const violations: string[] = []
  for (const demand of problem.demands) {
    const missing = plan.unplaced.find(entry => entry.demand === demand.key)?.quantity ?? 0
    const made = produced.get(demand.key) ?? 0
    if (made < demand.quantity - missing)
      violations.push(`${demand.name}: ${made} cut, ${demand.quantity - missing} promised`)
  }
  for (const supply of problem.supplies) {
    if (supply.price === null && (opened.get(supply.key) ?? 0) > supply.onHand)
      violations.push(`sheet “${supply.key}”: more used than there are`)
  }
  const sheets = problem.supplies
    .filter(({ kind }) => kind === 'sheet')
    .reduce((sum, { key }) => sum + (opened.get(key) ?? 0), 0)
  const spending = problem.supplies.reduce(
    (sum, { key, onHand, price }) => sum + (price ?? 0) * Math.max(0, (opened.get(key) ?? 0) - onHand),
    0,
  )
  if (spending !== plan.spending) violations.push(`${plan.spending} cents stated, ${spending} spent`)
  if (sheets !== plan.sheets) violations.push(`${plan.sheets} sheets stated, ${sheets} used`)
  if (plan.moneyBound !== undefined && plan.moneyBound > plan.spending)
    violations.push('the lower bound of money is above the plan')
  if (plan.bound > plan.sheets) violations.push('the lower bound is above the plan')
  return violations
}
