import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { readRoster } from '.'
import { demoBatches } from '../../demo'
import { withSeat } from '../batch'
import { rosterCsv } from '../exports'

const batch = demoBatches(new Date(2030, 0, 1))[1]!
const problemsOf = async (text: string) => {
  const answer = await readRoster(text, batch)
  return answer.ok ? [] : answer.problems.map(({ path, problem }) => `${path} ${problem}`.trim())
}

describe('a roster as CSV', () => {
  it('comes back as it went out', async () => {
    const odd = produce(batch, (draft) => {
      draft.roster[0]!.name = '=SUM(A1)'
      draft.roster[1]!.name = 'Bruno, the elder'
      draft.roster[2]!.notes = 'two\nlines'
    })
    const answer = await readRoster(await rosterCsv(odd), odd)
    if (!answer.ok) throw new Error(JSON.stringify(answer.problems))
    expect(answer.value).toHaveLength(16)
    expect(answer.value.reduce((roster, seat) => withSeat(roster, seat), odd.roster)).toEqual(odd.roster)
    expect(answer.value[0]!.name).toBe('=SUM(A1)')
  })

  it('may be plain names, one a line, and leaves alone what it does not name', async () => {
    const answer = await readRoster('\uFEFFOda\n\nPer\n', batch)
    expect(answer.ok && answer.value.map(({ key, name, colourways }) => [key, name, colourways])).toEqual([
      ['seat-1', 'Oda', batch.roster[0]!.colourways], ['seat-2', 'Per', batch.roster[1]!.colourways],
    ])
  })

  it('takes wishes by the names of colourways, in any letters, and yes or no', async () => {
    const answer = await readRoster(
      'Bag,Name,Harbour lantern,Online,Paid\n3,Oda,low WATER,x,no\nspare 1,Per,,,\n', batch,
    )
    expect(answer).toMatchObject({
      ok: true,
      value: [
        {
          key: 'seat-3', name: 'Oda', colourways: { 'harbour-lantern': 'low-water' }, online: true, paid: false,
          leftHanded: true,
        },
        { key: 'spare-1', name: 'Per', colourways: {} },
      ],
    })
  })

  it('takes how a bag is made ready by the name of its profile', async () => {
    const answer = await readRoster('Bag,Made ready\n3,own STASH\n4,\n', batch)
    // Names that the file does not give stay.
    expect(answer.ok && answer.value.map(({ name, profile }) => [name, profile])).toEqual([
      [batch.roster[2]!.name, 'own-stash'], [batch.roster[3]!.name, ''],
    ])
  })

  it.each<[string, string]>([
    ['Name\nOda\n=HYPERLINK("x")', 'line 3 begins with “=”, as formulas do'],
    ['Name\nS\uFFFDren', 'not in UTF-8'],
    ['Name,Shoe size\nOda,39', 'line 1 “Shoe size” is no column here'],
    ['Name,Harbour lantern\nOda,Mud', 'line 2 wishes for Harbour lantern in “Mud”; there are: High water, Low water'],
    ['Bag,Name\nSeat 99,Oda', 'line 2 has the bag “Seat 99”'],
    ['Bag,Name\nSeat 1,Oda\nSeat 1,Per', 'line 3 has the same bag'],
    [
      'Name,Made ready\nOda,half',
      'line 2 is made ready as “half”; there are: In the room, By post or online, Children, Own stash',
    ],
    ['Name,Paid\nOda,perhaps', 'line 2 Paid is yes or no'],
    [`Name\n${'x'.repeat(121)}`, 'line 2 has a name of more than 120 characters'],
    [Array.from({ length: 17 }, (_, at) => `Name ${at}x`).join('\n'), 'line 17 has no seat left'],
    ['', 'holds no name'],
  ])('is refused with the line that is wrong: %j', async (text, words) => {
    expect((await problemsOf(text)).join(' ')).toContain(words)
  })
})
