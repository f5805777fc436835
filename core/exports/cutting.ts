import { byKey } from '../lists'
import type { Batch } from '../document'
import type makerjs from 'makerjs'
import type { PaperOutcome } from '../plans'
import { leavesOf, pileInWords } from '../cutting'
import { MILLIMETRE, formatLength } from '../lengths'
import { csvOf, harmless } from './cells'

/**
 * The order of cuts as CSV for a spreadsheet: one row a step, in the order of the bench,
 * every paper after the other. Texts are guarded against being read as formulas.
 */
export async function cutsCsv({ class: { units } }: Batch, outcomes: PaperOutcome[]): Promise<string> {
  const rows = outcomes.flatMap(({ paper, steps }) => {
    let setting = 0
    return steps.map((step, index) => {
      if (step.fence !== steps[index - 1]?.fence) setting += 1
      return {
        'Paper': harmless(paper.name),
        'Step': index + 1,
        'Setting': setting,
        'In hand': step.hold,
        'How many': step.quantity,
        'Width': formatLength(step.size.width, units, { unit: true }),
        'Height': formatLength(step.size.height, units, { unit: true }),
        'Fence': formatLength(step.fence, units, { unit: true }),
        'Read at': formatLength(step.reading.at, units, { unit: true }),
        'From': { near: 'the near edge', far: 'the other edge', between: 'between marks' }[step.reading.from],
        'Along': step.side,
        'Cuts': step.cuts,
        'Strokes': step.strokes,
        'Taken': step.taken,
        'Turn': step.turn ? 'yes' : '',
        'Piles waiting': step.piles,
        'Comes off': pileInWords(step.keep),
        'Remains': step.rest ? pileInWords(step.rest) : '',
        'By knife': step.byKnife ? 'yes' : '',
      }
    })
  })
  return csvOf(rows)
}

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
