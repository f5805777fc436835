import type { Part } from '../../../core/folds'
import type { Length } from '../../../core/lengths'
import type { Laid } from './pattern'

interface Moving {
  /** Pixels for one nanometre. */
  scale: () => number
  /** What is moved by hand is moved by whole marks; without one nothing is. */
  mark: () => Length | undefined
  isMovable: (part: Part) => boolean
  /** A piece was moved by so much to the right and up, in whole marks. */
  move: (part: string, right: number, up: number) => void
}

const ARROWS: Record<string, [right: number, up: number]> = {
  ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1],
}

/** What lies behind is moved along its own face, on which left is right. */
const wayOf = ({ behind }: Laid) => (behind ? -1 : 1)

/** Moves pieces of a drawing by hand: pulled by a pointer, or by the arrow keys. */
export function useMoving({ scale, mark, isMovable, move }: Moving) {
  /** A piece under the hand, and how far it has been moved already, in marks. */
  let pulled: { key: string, way: 1 | -1, x: number, y: number, right: number, up: number } | undefined

  function grab(event: PointerEvent, layer: Laid) {
    if (!isMovable(layer.part)) return
    pulled = { key: layer.part.key, way: wayOf(layer), x: event.clientX, y: event.clientY, right: 0, up: 0 };
    (event.currentTarget as Element).setPointerCapture(event.pointerId)
  }
  function pull(event: PointerEvent) {
    const step = mark()
    if (!pulled || step === undefined) return
    const marks = (pixels: number) => Math.round(pixels / (step * scale()))
    const [right, up] = [marks(event.clientX - pulled.x), marks(pulled.y - event.clientY)]
    if (right === pulled.right && up === pulled.up) return
    move(pulled.key, pulled.way * (right - pulled.right) * step, (up - pulled.up) * step)
    pulled = { ...pulled, right, up }
  }
  function nudge(event: KeyboardEvent, layer: Laid) {
    const arrow = ARROWS[event.key]
    const step = mark()
    if (!arrow || step === undefined || !isMovable(layer.part)) return
    event.preventDefault()
    const [right, up] = arrow
    move(layer.part.key, wayOf(layer) * right * step, up * step)
  }
  const letGo = () => void (pulled = undefined)
  return { grab, pull, nudge, letGo }
}
