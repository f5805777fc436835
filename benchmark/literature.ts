import type { Solve } from '../core/cutting'
import { millimetres } from '../core/lengths'
import { dice } from './dice'
import { CUTTER, report, solved } from './cutting'
import type { Solved } from './cutting'

type Roll = ReturnType<typeof dice>
const uniform
  = (most: number) =>
    (roll: Roll): [number, number] => [roll(1, most), roll(1, most)]
/** Tall, wide, big and small rectangles on 100 × 100; a mixed class takes 70 % from one kind. */
const KINDS = [
  (roll: Roll): [number, number] => [roll(67, 100), roll(1, 50)],
  (roll: Roll): [number, number] => [roll(1, 50), roll(67, 100)],
  (roll: Roll): [number, number] => [roll(50, 100), roll(50, 100)],
  (roll: Roll): [number, number] => [roll(1, 50), roll(1, 50)],
]
const mixed
  = (main: number) =>
    (roll: Roll): [number, number] => {
      const others = [0, 1, 2, 3].filter(kind => kind !== main)
      return KINDS[roll(1, 10) <= 7 ? main : others[roll(0, 2)]!]!(roll)
    }
/** The random classes that the literature on two-dimensional bin packing measures with: side of the sheet and sizes. */
const CLASSES: [string, number, (roll: Roll) => [number, number]][] = [
  ['1: [1,10] on 10', 10, uniform(10)],
  ['2: [1,10] on 30', 30, uniform(10)],
  ['3: [1,35] on 40', 40, uniform(35)],
  ['4: [1,35] on 100', 100, uniform(35)],
  ['5: [1,100] on 100', 100, uniform(100)],
  ['6: [1,100] on 300', 300, uniform(100)],
  ['7: mostly wide', 100, mixed(0)],
  ['8: mostly tall', 100, mixed(1)],
  ['9: mostly big', 100, mixed(2)],
  ['10: mostly small', 100, mixed(3)],
]

/** Random classes with 20 to 100 pieces, none turned, fixed seeds; a unit of theirs is a millimetre. */
export function literatureClasses(solve: Solve, instances: number): string {
  const rows = CLASSES.map(([name, side, size], at): [string, Solved[]] => [
    name,
    [20, 40, 60, 80, 100].flatMap(pieces =>
      Array.from({ length: instances }, (_, instance) => {
        const roll = dice(1 + at * 1000 + pieces * 10 + instance)
        const counts = new Map<string, number>()
        for (let piece = 0; piece < pieces; piece++) {
          const [width, height] = size(roll)
          counts.set(`${width} ${height}`, (counts.get(`${width} ${height}`) ?? 0) + 1)
        }
        const demands = [...counts].map(([key, quantity]) => {
          const [width, height] = key.split(' ').map(Number) as [number, number]
          return {
            key, name: key, width: millimetres(width), height: millimetres(height), quantity, turn: 'as drawn' as const,
          }
        })
        const whole = millimetres(side)
        const supply = { key: 'sheet', kind: 'sheet' as const, width: whole, height: whole, onHand: 0, price: 50 }
        return solved(
          `${name}, ${pieces} pieces, ${instance + 1}`,
          {
            demands,
            supplies: [supply],
            cutter: { ...CUTTER, length: whole, mark: millimetres(1), offcut: { short: whole, long: whole } },
            objective: 'money',
          },
          solve,
        )
      }),
    ),
  ])
  return report('Random classes of the packing literature, 20 to 100 pieces, none turned.', rows)
}
