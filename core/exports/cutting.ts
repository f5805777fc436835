import { byKey } from '../lists'
import type { Batch } from '../document'
import type makerjs from 'makerjs'
import type { PaperOutcome } from '../plans'
import type { BenchStep } from '../cutting'
import { leavesOf, pileInWords } from '../cutting'
import type { Length, Units } from '../lengths'
import { MILLIMETRE, formatLength } from '../lengths'
import type { OrderTogether } from '../together'
import { lotsInWords, papersInWords, partsInWords } from '../together'
import { csvOf, harmless } from './cells'

/** A step as a row of a table: what stands in it whoever cuts. */
function rowOf(step: BenchStep, at: { step: number, setting: number }, units: Units) {
  const length = (size: Length) => formatLength(size, units, { unit: true })
  return {
    'Step': at.step,
    'Setting': at.setting,
    'In hand': step.hold,
    'How many': step.quantity,
    'Width': length(step.size.width),
    'Height': length(step.size.height),
    'Fence': length(step.fence),
    'Read at': length(step.reading.at),
    'From': { near: 'the near edge', far: 'the other edge', between: 'between marks' }[step.reading.from],
    'Along': step.side,
    'Cuts': step.cuts,
    'Strokes': step.strokes,
    'Taken': step.taken,
    'Turn': step.turn ? 'yes' : '',
    'Piles waiting': step.piles,
    'Comes off': harmless(pileInWords(step.keep)),
    'Remains': step.rest ? harmless(pileInWords(step.rest)) : '',
    'By knife': step.byKnife ? 'yes' : '',
  }
}

/** Each step with its number and that of its setting of the fence. */
const numbered = <Step extends BenchStep>(steps: readonly Step[]) => {
  let setting = 0
  return steps.map((step, index) => {
    if (step.fence !== steps[index - 1]?.fence) setting += 1
    return { step, at: { step: index + 1, setting } }
  })
}

/**
 * The order of cuts as CSV for a spreadsheet: one row a step, in the order of the bench,
 * every paper after the other. Texts are guarded against being read as formulas.
 */
export const cutsCsv = ({ class: { units } }: Batch, outcomes: PaperOutcome[]): Promise<string> =>
  csvOf(outcomes.flatMap(({ paper, steps }) =>
    numbered(steps).map(({ step, at }) => ({ Paper: harmless(paper.name), ...rowOf(step, at, units) }))))

/** The one order of cuts for all papers as CSV, one row a step: what is held, comes off and remains of each paper. */
export const ordersCsv = ({ class: { units } }: Batch, orders: readonly OrderTogether[]): Promise<string> =>
  csvOf(orders.flatMap(({ steps }, sitting) => numbered(steps).map(({ step, at }) => ({
    'Sitting': sitting + 1,
    ...rowOf(step, at, units),
    'Papers in hand': harmless(papersInWords(step.held)),
    'Papers that come off': harmless(partsInWords(step.kept)),
    'Papers that remain': harmless(partsInWords(step.left)),
    'Under the blade': harmless(lotsInWords(step.lots)),
  }))))

/** Layers of a drawn layout: the sheet, its cuts, and the names of what comes out. */
export const LAYOUT_LAYERS = { sheet: { stroke: 'black' }, cut: { stroke: 'red' }, name: { stroke: 'gray' } } as const

/** One layout in real size, millimetres, origin at its lower left corner. */
export async function layoutSvg(
  { plan, steps, entry: { problem, names } }: PaperOutcome,
  key: string,
  { class: { units } }: Batch,
): Promise<string> {
  const { default: makerjs } = await import('makerjs')
  const mm = (nanometres: number) => nanometres / MILLIMETRE
  const drawn = plan.layouts.find(layout => layout.key === key)
  if (!drawn) throw new RangeError(`There is no layout “${key}” in this plan.`)
  const { root, supply } = drawn
  const sheet = byKey(problem.supplies, supply)
  const cuts = steps.flatMap(({ lines }) => lines).filter(({ layout }) => layout === key)
  const line = ({ x, y }: { x: number, y: number }): makerjs.IPoint => [mm(x), mm(y)]
  const pieces = leavesOf(root, problem.cutter.kerf).filter(({ node }) => node.kind === 'piece')
  const model: makerjs.IModel = {
    units: makerjs.unitType.Millimeter,
    models: {
      sheet: { ...new makerjs.models.Rectangle(mm(sheet.width), mm(sheet.height)), layer: 'sheet' },
      cuts: {
        layer: 'cut',
        paths: Object.fromEntries(
          cuts.map(({ from, to }, at) => [`c${at}`, new makerjs.paths.Line(line(from), line(to))]),
        ),
      },
      names: {
        layer: 'name',
        models: Object.fromEntries(
          pieces.map(({ x, y, width, height, node }, at) => {
            const middle = mm(y + height / 2)
            const text = `${node.kind === 'piece' ? names.get(node.demand) : ''} ${formatLength(width, units)} × `
              + `${formatLength(height, units, { unit: true })}`
            return [
              `n${at}`, { caption: { text, anchor: new makerjs.paths.Line([mm(x), middle], [mm(x + width), middle]) } },
            ]
          }),
        ),
      },
    },
  }
  return makerjs.exporter.toSVG(model, {
    units: makerjs.unitType.Millimeter,
    layerOptions: { ...LAYOUT_LAYERS },
    strokeWidth: '0.2mm',
    useSvgPathOnly: false,
    fontSize: '4',
    svgAttrs: { xmlns: 'http://www.w3.org/2000/svg' },
  })
}
