import { MaxRectsPacker } from 'maxrects-packer'
import type { CuttingProblem } from '../core/cutting'

/** Every piece of a problem by itself, largest first, on the one sheet format it has. */
const piecesOf = ({ demands }: CuttingProblem) =>
  demands.flatMap(({ width, height, quantity, turn }) =>
    Array.from({ length: quantity }, () => ({ width, height, turn })),
  )

/**
 * First fit by decreasing height: pieces in the order of their heights go onto the first
 * strip of any sheet that has room, a new strip, or a new sheet. It is how a careful maker
 * plans by hand, and every plan of it can be cut.
 */
export function firstFitStrips(problem: CuttingProblem): number {
  const [{ width, height }] = problem.supplies as [CuttingProblem['supplies'][number]]
  const upright = piecesOf(problem)
    .map(piece =>
      piece.turn === 'either' && piece.width > piece.height && piece.width <= height
        ? { ...piece, width: piece.height, height: piece.width }
        : piece,
    )
    .map(piece =>
      piece.width > width && piece.turn === 'either' ? { ...piece, width: piece.height, height: piece.width } : piece,
    )
    .sort((a, b) => b.height - a.height || b.width - a.width)
  const sheets: { left: number, strips: { height: number, left: number }[] }[] = []
  for (const piece of upright) {
    const strip = sheets
      .flatMap(({ strips }) => strips)
      .find(({ height, left }) => height >= piece.height && left >= piece.width)
    if (strip) {
      strip.left -= piece.width
      continue
    }
    let sheet = sheets.find(({ left }) => left >= piece.height)
    if (!sheet) sheets.push((sheet = { left: height, strips: [] }))
    sheet.left -= piece.height
    sheet.strips.push({ height: piece.height, left: width - piece.width })
  }
  return sheets.length
}

/** A general rectangle-packing library, free of the rule that cuts go right across. */
export function packingLibrary(problem: CuttingProblem): number {
  const [{ width, height }] = problem.supplies as [CuttingProblem['supplies'][number]]
  const rotate = problem.demands.every(({ turn }) => turn === 'either')
  const packer = new MaxRectsPacker(width, height, 0, {
    smart: false, pot: false, square: false, allowRotation: rotate,
  })
  packer.addArray(piecesOf(problem).map(({ width, height }) => ({ width, height })) as never[])
  return packer.bins.length
}
