import type { ShapeGeometry, Texture } from 'three'
import type { Box, Panel, Part, Point } from '../../../core/folds'
import { holesOf, outlineOf } from '../../../core/folds'
import type { PaperLook } from '../../utils/paper-look'
import { MOTIF_PATHS, MOTIF_TILE, motifLines } from '../../utils/paper-look'

/** The package that draws in space; fetched when something is drawn. */
type Three = typeof import('three')

/** From nanometres to the units of the stage: an inch is one. */
export const SCALE = 1 / 25_400_000
/** How wide a tile of paper is on the stage. */
const TILE = 0.45

export const halfDiagonal = ({ least, most }: Box) =>
  Math.hypot(most[0] - least[0], most[1] - least[1], most[2] - least[2]) * (SCALE / 2)

/** A panel in the flat, its corner at the origin. */
export function geometryOf(three: Three, part: Part, panel: Panel): ShapeGeometry {
  const spot = ([x, y]: Point): [number, number] => [(x - panel.x.value) * SCALE, (y - panel.y.value) * SCALE]
  const path = (corners: Point[]) => corners.map(corner => new three.Vector2(...spot(corner)))
  const shape = new three.Shape(path(outlineOf(panel)))
  shape.holes = holesOf(part, panel).map(hole => new three.Path(path(hole)))
  return new three.ShapeGeometry(shape)
}

/** The paper as a tile that repeats; the top of the print lies where the part wants it. */
export function textureOf(three: Three, paper: PaperLook, top: Part['printTop']): Texture {
  const tile = document.createElement('canvas')
  tile.width = tile.height = 128
  const pen = tile.getContext('2d')
  if (!pen) throw new Error('This browser cannot draw on a canvas.')
  pen.fillStyle = paper.colour
  pen.fillRect(0, 0, 128, 128)
  pen.scale(128 / MOTIF_TILE, 128 / MOTIF_TILE)
  const { colour, opacity, width } = motifLines(paper)
  Object.assign(pen, { strokeStyle: colour, globalAlpha: opacity, lineWidth: width, lineCap: 'round' })
  pen.stroke(new Path2D(MOTIF_PATHS[paper.motif]))
  const texture = new three.CanvasTexture(tile)
  texture.wrapS = texture.wrapT = three.RepeatWrapping
  texture.repeat.set(1 / TILE, 1 / TILE)
  texture.colorSpace = three.SRGBColorSpace
  texture.rotation = { top: 0, any: 0, left: -Math.PI / 2, bottom: Math.PI, right: Math.PI / 2 }[top]
  return texture
}
