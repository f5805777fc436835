import { ramerDouglasPeucker } from 'clipper2-ts'
import { XMLParser } from 'fast-xml-parser'
import makerjs from 'makerjs'
import { BOUNDS } from '../document'

export type ReadOutline = { ok: true, outline: string, across: number } | { ok: false, reason: string }

const refuse = (reason: string): ReadOutline => ({ ok: false, reason })
/** Characters of a file; more is a picture, not an outline. */
const MOST_TEXT = 400_000
/** An outline is drawn on a square of so many units; what moves it by less than one is left out. */
const UNITS = 1000

/**
 * Reads the outline of a piece from an SVG file: its largest closed path or polygon, made of straight lines that stay
 * within a thousandth of it. Its size on paper is the maker's to say.
 * @returns path data of M, L and Z, and its width for a height of one; or why it cannot be used. Never throws.
 */
export function outlineFromSvg(text: string): ReadOutline {
  if (text.length > MOST_TEXT) return refuse('The file is larger than any outline: at most 400 kB.')
  let paths: string[]
  try {
    paths = pathsIn(new XMLParser({ ignoreAttributes: false, processEntities: false }).parse(text, true))
  }
  catch {
    return refuse('The file is no SVG that can be read.')
  }
  if (paths.length === 0)
    return refuse('The SVG holds no path and no polygon. Turn shapes and letters into paths first.')
  const outlines = paths.flatMap(closedOutlines)
  const largest = outlines.reduce<Outline | undefined>(
    (most, next) => (most && most.area >= next.area ? most : next), undefined,
  )
  if (!largest) return refuse('No path of the SVG is closed. Join its ends, so that it goes all the way round.')
  const { points, least, size } = largest
  const scale = UNITS / Math.max(size[0], size[1])
  const at = ({ x, y }: { x: number, y: number }) => ({
    x: Math.round((x - least[0]) * scale),
    y: Math.round((least[1] + size[1] - y) * scale),
  })
  const corners = ramerDouglasPeucker(points.map(at), 1)
  const outline = `M${corners.map(({ x, y }) => `${x},${y}`).join('L')}Z`
  if (corners.length < 3) return refuse('The outline has fewer than three corners.')
  if (outline.length > BOUNDS.outline)
    return refuse('The outline has too many corners to be cut by hand. Simplify the path first.')
  return { ok: true, outline, across: size[0] / size[1] }
}

function pathsIn(node: unknown): string[] {
  if (Array.isArray(node)) return node.flatMap(pathsIn)
  if (typeof node !== 'object' || node === null) return []
  return Object.entries(node).flatMap(([name, inner]) => {
    if (name === '@_d' && typeof inner === 'string') return [inner]
    if (name === '@_points' && typeof inner === 'string') return [`M${inner.trim()}Z`]
    return pathsIn(inner)
  })
}

interface Outline {
  points: { x: number, y: number }[]
  least: [number, number]
  size: [number, number]
  area: number
}

function closedOutlines(data: string): Outline[] {
  let chains: MakerJs.IChain[]
  try {
    const found = makerjs.model.findChains(makerjs.importer.fromSVGPathData(data))
    chains = Array.isArray(found) ? found : []
  }
  catch {
    return []
  }
  return chains.filter(({ endless }) => endless).flatMap((chain): Outline[] => {
    const rough = makerjs.chain.toKeyPoints(chain, 1e9)
    const span = (points: MakerJs.IPoint[], axis: 0 | 1) => {
      const all = points.map(point => point[axis] ?? 0)
      return [Math.min(...all), Math.max(...all)] as const
    }
    const width = span(rough, 0)[1] - span(rough, 0)[0]
    const facet = Math.max(width, span(rough, 1)[1] - span(rough, 1)[0], Number.EPSILON) / 60
    const points = makerjs.chain.toKeyPoints(chain, facet)
    const [[left, right], [foot, head]] = [span(points, 0), span(points, 1)]
    const size: [number, number] = [right - left, head - foot]
    if (!(size[0] > 0 && size[1] > 0)) return []
    return [
      {
        points: points.map(point => ({ x: point[0] ?? 0, y: point[1] ?? 0 })), least: [left, foot], size,
        area: size[0] * size[1],
      },
    ]
  })
}
