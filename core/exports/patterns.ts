import type makerjs from 'makerjs'
import type { Construction, Part, Place, Point } from '../folds'
import { glueOutline, windowOutline } from '../folds'
import { MILLIMETRE } from '../lengths'

/**
 * Flat patterns in real size for cutting machines and drawing programs.
 * Millimetres, inside face up, lower left corner at the origin; one layer for
 * each kind of line, as docs/patterns.md lists them.
 */
export const PATTERN_LAYERS = {
  // Colour in SVG, and the number of the same colour in a DXF.
  'cut': { stroke: 'black', color: 0 },
  'slit': { stroke: 'magenta', color: 6 },
  'score-valley': { stroke: 'blue', color: 5 },
  'score-mountain': { stroke: 'red', color: 1 },
  'glue': { stroke: 'green', color: 94 },
} as const

type Drawing = typeof makerjs
type Layer = keyof typeof PATTERN_LAYERS
export type PatternFormat = 'svg' | 'dxf'

/**
 * The flat pattern of one blank as the text of a file. The drawing library is loaded when the first one is asked for.
 */
export async function writePattern(construction: Construction, part: Part, format: PatternFormat): Promise<string> {
  const { default: makerjs } = await import('makerjs')
  const model = patternModel(makerjs, construction, part)
  return format === 'dxf'
    ? makerjs.exporter.toDXF(model, { units: makerjs.unitType.Millimeter, layerOptions: { ...PATTERN_LAYERS } })
    : makerjs.exporter.toSVG(model, {
        units: makerjs.unitType.Millimeter,
        layerOptions: { ...PATTERN_LAYERS },
        strokeWidth: '0.2mm',
        useSvgPathOnly: false,
        svgAttrs: { xmlns: 'http://www.w3.org/2000/svg' },
      })
}

function patternModel(makerjs: Drawing, construction: Construction, part: Part): makerjs.IModel {
  const mm = (nanometres: number) => nanometres / MILLIMETRE
  const spot = ({ x, y }: Place): makerjs.IPoint => [mm(x.value), mm(y.value)]
  const on = (layer: Layer, model: makerjs.IModel): makerjs.IModel => ({ ...model, layer })
  const line = (layer: Layer, from: makerjs.IPoint, to: makerjs.IPoint): makerjs.IModel =>
    on(layer, { paths: { line: new makerjs.paths.Line(from, to) } })
  const closed = (layer: Layer, corners: readonly Point[]) =>
    on(
      layer,
      new makerjs.models.ConnectTheDots(
        true,
        corners.map(([x, y]) => [mm(x), mm(y)]),
      ),
    )
  const box = (layer: Layer, x: number, y: number, width: number, height: number) =>
    closed(layer, [
      [x, y],
      [x + width, y],
      [x + width, y + height],
      [x, y + height],
    ])

  const windows = part.windows
    .filter(({ width, height }) => width.value > 0 && height.value > 0)
    .map((window) => {
      if (window.shape !== 'circle' || window.width.value !== window.height.value)
        return closed('cut', windowOutline(window))
      const radius = mm(window.width.value) / 2
      return on('cut', {
        paths: { circle: new makerjs.paths.Circle([mm(window.x.value) + radius, mm(window.y.value) + radius], radius) },
      })
    })
  const holes = part.panels.flatMap(({ holes = [] }) => holes.map(hole => closed('slit', hole)))
  const slits = part.slits.map(({ from, to }) => line('slit', spot(from), spot(to)))
  const creases = part.creases.map(({ from, to, direction }) => line(`score-${direction}`, spot(from), spot(to)))
  const glue = construction.joints
    .filter(
      ({ onto, means, glue }) =>
        onto.part === part.key && means !== 'held' && glue.width.value > 0 && glue.height.value > 0,
    )
    .map(joint => closed('glue', glueOutline(joint)))
  const edge = part.outline ? closed('cut', part.outline) : box('cut', 0, 0, part.width.value, part.height.value)
  return {
    units: makerjs.unitType.Millimeter,
    models: Object.fromEntries(
      [edge, ...windows, ...holes, ...slits, ...creases, ...glue].map((model, index) => [`m${index}`, model]),
    ),
  }
}
