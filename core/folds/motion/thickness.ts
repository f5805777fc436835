import { around, itemAt, neighbours } from '../../lists'
import type { Length } from '../../lengths'
import { nanometres } from '../../lengths'
import type { Construction, Panel, Part, Point } from '../model/card'
import { isWhole } from '../model/card'
import { holesOf, outlineOf } from '../model/outlines'
import type { Frame, Vector } from './frame'
import { dot, subtract } from './frame'
import { cornersOf, glueOutline, panelKey, placed, poseOf } from './pose'

/** What lies on top of each other at one place of the closed card. */
export interface Stack {
  /** Place on the closed card, from the lower left corner of its outline. */
  x: Length
  y: Length
  thickness: Length
  /** Part names from the front of the closed card to its back, foam pads by their own word. */
  layers: string[]
}

export interface ThicknessMap {
  /** The thickest place. */
  most: Stack
  /** Lines of the grid that the map is computed on, and the thickness of each cell by column, then row. */
  xs: Length[]
  ys: Length[]
  cells: Length[][]
}

interface Layer {
  name: string
  outline: Point[]
  holes: Point[][]
  thickness: number
  z: (x: number, y: number) => number
}

/** Creases stay this short of shut, in degrees, to tell which of two layers lies in front. */
const ALMOST = 0.5
const COARSEST = 40

/**
 * Layers and foam summed over the closed card: a grid through every edge, one sum a cell.
 * @param thicknessOf thickness of a part's paper
 * @param foam height of a foam pad
 * @returns nothing for a card that has a broken part or nothing that lies in its closed place
 */
export function thicknessMap(
  construction: Construction, thicknessOf: (part: Part) => Length, foam: Length,
): ThicknessMap | undefined {
  const whole = construction.parts.filter(isWhole)
  const shut = poseOf(construction, 0)
  const ajar = poseOf(construction, 0, { slack: ALMOST, layer: 20_000 })
  const layers: Layer[] = []
  for (const part of whole) {
    for (const panel of part.panels) {
      const [frame, apart] = [shut.get(panelKey(panel)), ajar.get(panelKey(panel))]
      if (!frame || !apart || Math.abs(frame.normal[2]) < 0.999) continue
      layers.push({
        name: part.name,
        outline: flat(cornersOf(panel, frame)),
        holes: holesOf(part, panel).map(hole => flat(placed(hole, panel, frame))),
        thickness: thicknessOf(part),
        z: heightOf(apart),
      })
    }
  }
  for (const joint of construction.joints) {
    if (joint.means !== 'foam' || joint.glue.width.value <= 0 || joint.glue.height.value <= 0) continue
    const [frame, apart] = [shut.get(panelKey(joint.onto)), ajar.get(panelKey(joint.onto))]
    if (!frame || !apart || Math.abs(frame.normal[2]) < 0.999) continue
    layers.push({
      name: 'foam',
      outline: flat(placed(glueOutline(joint), joint.onto, frame)),
      holes: [],
      thickness: joint.foam ?? foam,
      z: (x, y) => heightOf(apart)(x, y) + (joint.face === 'inside' ? 1 : -1) * Math.sign(apart.normal[2]) * 10_000,
    })
  }
  if (layers.length === 0) return undefined

  const lines = (axis: 0 | 1) =>
    thinned(
      [
        ...new Set(
          layers.flatMap(({ outline, holes }) => [outline, ...holes].flat().map(corner => Math.round(corner[axis]))),
        ),
      ].sort((a, b) => a - b),
    )
  const [xs, ys] = [lines(0), lines(1)]
  let most: Stack | undefined
  const [left, foot] = [itemAt(xs, 0), itemAt(ys, 0)]
  const cells = between(xs).map(x =>
    between(ys).map((y) => {
      const here = layers.filter(layer => covers(layer, [x, y]))
      const thickness = nanometres(here.reduce((sum, layer) => sum + layer.thickness, 0))
      if (!most || thickness > most.thickness) {
        const order = [...here].sort((a, b) => b.z(x, y) - a.z(x, y))
        most = { x: nanometres(x - left), y: nanometres(y - foot), thickness, layers: order.map(({ name }) => name) }
      }
      return thickness
    }),
  )
  return most && { most, xs: xs.map(nanometres), ys: ys.map(nanometres), cells }
}

/**
 * The greatest thickness within some distance of the edges of the closed card: what has to pass the mouth of an
 * envelope.
 */
export function thicknessAtEdges({ xs, ys, cells }: ThicknessMap, within: Length): Length {
  const isNear = (lines: Length[], at: number) =>
    itemAt(lines, at) < itemAt(lines, 0) + within || itemAt(lines, at + 1) > itemAt(lines, -1) - within
  return nanometres(
    Math.max(0, ...cells.flatMap((column, x) => column.filter((_, y) => isNear(xs, x) || isNear(ys, y)))),
  )
}

const flat = (corners: Vector[]): Point[] => corners.map(([x, y]) => [x, y])
const between = (lines: number[]): number[] => neighbours(lines).map(([line, next]) => (line + next) / 2)

/** Round edges give many lines close together; a coarser grid still meets every straight edge. */
function thinned(lines: number[]): number[] {
  if (lines.length <= COARSEST * 2) return lines
  const step = (itemAt(lines, -1) - itemAt(lines, 0)) / COARSEST / 4
  return lines.filter((line, index) =>
    index % 4 === 0 || index === lines.length - 1 || line - itemAt(lines, index - 1) > step,
  )
}

/** Height of the plane of a panel over a place of the closed card. */
function heightOf({ origin, normal }: Frame): (x: number, y: number) => number {
  return (x, y) => origin[2] - dot(normal, subtract([x, y, 0], [origin[0], origin[1], 0])) / (normal[2] || 1)
}

const covers = ({ outline, holes }: Layer, point: Point): boolean =>
  inside(outline, point) && !holes.some(hole => inside(hole, point))

/** Whether a point lies in a polygon, by the number of edges a line from it crosses. */
export function inside(corners: readonly Point[], [x, y]: Point): boolean {
  let within = false
  around(corners).forEach(([[x1, y1], [x2, y2]]) => {
    if ((y1 > y) !== (y2 > y) && x < x1 + ((x2 - x1) * (y - y1)) / (y2 - y1)) within = !within
  })
  return within
}

/** Area of a polygon, whichever way round its corners stand. */
export const polygonArea = (corners: readonly Point[]): number =>
  Math.abs(around(corners).reduce((sum, [[x, y], [nextX, nextY]]) => sum + (x * nextY - nextX * y) / 2, 0))

/** Area of a panel without its openings, in square nanometres. */
export const areaOf = (part: Part, panel: Panel): number =>
  polygonArea(outlineOf(panel)) - holesOf(part, panel).reduce((sum, hole) => sum + polygonArea(hole), 0)
