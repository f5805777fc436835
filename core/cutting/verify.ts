import type { CutNode, Plan, CuttingProblem, Size } from './plan'

/**
 * Checks a plan against its problem from nothing but the rectangles in it; it
 * shares no code with the planner. Every violation is one sentence; an empty
 * list means the plan can be cut as it stands.
 */
export function verifyPlan(plan: Plan, problem: CuttingProblem): string[] {
  const violations: string[] = []
  const demands = new Map(problem.demands.map(demand => [demand.key, demand]))
  const produced = new Map<string, number>()
  const opened = new Map<string, number>()

  plan.layouts.forEach((layout, index) => {
    const say = (what: string) => violations.push(`layout ${index + 1}: ${what}`)
    const supply = problem.supplies.find(candidate => candidate.key === layout.supply)
    if (!supply) return say(`sheet “${layout.supply}” is not in the supply`)
    if (!Number.isInteger(layout.repeats) || layout.repeats < 1) say(`is repeated ${layout.repeats} times`)
    opened.set(supply.key, (opened.get(supply.key) ?? 0) + layout.repeats)
    if (layout.root.width !== supply.width || layout.root.height !== supply.height)
      say('does not start from the whole sheet')

    let dust = 0n
    const sheet: Size = supply
    const { kind } = supply
    const rectangles: { x: number, y: number, width: number, height: number }[] = []
    walk(layout.root, 0, 0)
    const covered = rectangles.reduce((sum, { width, height }) => sum + BigInt(width) * BigInt(height), dust)
    if (covered !== BigInt(supply.width) * BigInt(supply.height))
      say('pieces, offcuts and waste do not add up to the sheet')
    rectangles.forEach((a, i) =>
      rectangles.slice(i + 1).forEach((b) => {
        if (a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height)
          say('two parts overlap')
      }),
    )

    function walk(node: CutNode, x: number, y: number): void {
      if (
        !Number.isSafeInteger(node.width)
        || !Number.isSafeInteger(node.height)
        || node.width <= 0
        || node.height <= 0
      ) {
        return void say(`a part measures ${node.width} × ${node.height}`)
      }
      if (node.kind === 'cut') {
        const [along, across] = node.side === 'width' ? (['width', 'height'] as const) : (['height', 'width'] as const)
        const { kerf } = problem.cutter
        const lost = node[along] - node.parts.reduce((sum, part) => sum + part[along], 0)
        const cuts = node.parts.length - 1
        if (cuts < 1 && lost === 0) say('a cut parts nothing')
        if (node.parts.some(part => part[across] !== node[across])) say('a cut does not go right across')
        // One more cut may take off less than a kerf.
        if (lost < cuts * kerf || lost > (cuts + 1) * kerf) say('the parts of a cut do not add up')
        dust += BigInt(lost) * BigInt(node[across])
        if (node[across] > problem.cutter.length) say('a cut is longer than the trimmer')
        let offset = 0
        for (const part of node.parts) {
          if (node.side === 'width') walk(part, x + offset, y)
          else walk(part, x, y + offset)
          offset += part[along] + kerf
        }
        return
      }
      if (x < 0 || y < 0 || x + node.width > sheet.width || y + node.height > sheet.height)
        say('a part leaves the sheet')
      rectangles.push({ x, y, width: node.width, height: node.height })
      // Within its margin a fresh sheet is out of square: nothing that is kept may lie there.
      const margin = kind === 'sheet' ? problem.cutter.squaring : 0
      const isInside
        = x >= margin && x + node.width <= sheet.width - margin
          && y >= margin && y + node.height <= sheet.height - margin
      if (node.kind !== 'waste' && !isInside) say('a part has an edge of the sheet that was never squared')
      if (node.kind !== 'piece') return
      const demand = demands.get(node.demand)
      if (!demand) return void say(`piece “${node.demand}” is not wanted`)
      const [width, height] = node.turned ? [demand.height, demand.width] : [demand.width, demand.height]
      if (node.width !== width || node.height !== height) say(`${demand.name} has the wrong size`)
      if (demand.turn !== 'either' && node.turned !== (demand.turn === 'turned'))
        say(`${demand.name} lies against the print direction`)
      produced.set(demand.key, (produced.get(demand.key) ?? 0) + layout.repeats)
    }
  })

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
