import type makerjs from 'makerjs'
import type { Construction, Part } from '../folds'
import { MILLIMETRE } from '../lengths'

/**
 * Flat patterns in real size for cutting machines and drawing programs.
 * Millimetres, inside face up, lower left corner at the origin; one layer for
 * each kind of line, as docs/patterns.md lists them.
 */
export const PATTERN_LAYERS = {
  // Colour in SVG, and the number of the same colour in a DXF.
  'cut': { stroke: 'black', color: 0 },
  'score-valley': { stroke: 'blue', color: 5 },
  'score-mountain': { stroke: 'red', color: 1 },
  'glue': { stroke: 'green', color: 94 },
} as const

type Drawing = typeof makerjs
type Layer = keyof typeof PATTERN_LAYERS
export type PatternFormat = 'svg' | 'dxf'

/** The flat pattern of one blank as the text of a file. The drawing library is loaded when the first one is asked for. */
export async function writePattern(construction: Construction, part: Part, format: PatternFormat): Promise<string> {
  const { default: makerjs } = await import('makerjs')
  const model = patternModel(makerjs, construction, part)
  return format === 'dxf'
    ? makerjs.exporter.toDXF(model, { units: makerjs.unitType.Millimeter, layerOptions: { ...PATTERN_LAYERS } })
    : makerjs.exporter.toSVG(model, { units: makerjs.unitType.Millimeter, layerOptions: { ...PATTERN_LAYERS }, strokeWidth: '0.2mm', useSvgPathOnly: false, svgAttrs: { xmlns: 'http://www.w3.org/2000/svg' } })
}

function patternModel(makerjs: Drawing, construction: Construction, part: Part): makerjs.IModel {
  const mm = (nanometres: number) => nanometres / MILLIMETRE
  const [width, height] = [mm(part.width.value), mm(part.height.value)]
  const on = (layer: Layer, model: makerjs.IModel): makerjs.IModel => ({ ...model, layer })
  const line = (layer: Layer, from: makerjs.IPoint, to: makerjs.IPoint): makerjs.IModel => on(layer, { paths: { line: new makerjs.paths.Line(from, to) } })

  const creases = part.creases.map(({ at, direction }) => part.along === 'x'
    ? line(`score-${direction}`, [mm(at.value), 0], [mm(at.value), height])
    : line(`score-${direction}`, [0, mm(at.value)], [width, mm(at.value)]))
  const glue = construction.joints.filter(({ onto, glue }) => onto.part === part.key && glue.width.value > 0 && glue.height.value > 0)
    .map(({ onto, by, x, y, glue }) => on('glue', makerjs.model.move(
      new makerjs.models.Rectangle(mm(glue.width.value), mm(glue.height.value)),
      [mm(onto.x.value + x.value + glue.x.value - by.x.value), mm(onto.y.value + y.value + glue.y.value - by.y.value)],
    )))
  return {
    units: makerjs.unitType.Millimeter,
    models: Object.fromEntries([on('cut', new makerjs.models.Rectangle(width, height)), ...creases, ...glue].map((model, index) => [`m${index}`, model])),
  }
}
