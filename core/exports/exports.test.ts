import { harmless } from './cells'
import { describe, expect, it } from 'vitest'
import { bagsCsv, cutsCsv, layoutSvg, ordersCsv, piecesCsv } from '.'
import { prepare } from '../batch'
import { ordersOf, planAll } from '../plans'
import { packedBags } from '../kits'
import { newSeat } from '../document'
import { demoBatches } from '../../demo'

const demo = () => demoBatches(new Date(2030, 0, 1))[1]!

describe('the cutting', () => {
  const batch = demo()
  const outcomes = planAll(batch, prepare(batch))

  it('lists every cut of every paper as a row', async () => {
    const lines = (await cutsCsv(batch, outcomes)).trimEnd().split('\n')
    expect(lines[0]).toBe(
      'Paper,Step,Setting,In hand,How many,Width,Height,Fence,Read at,From,Along,Cuts,Strokes,Taken,Turn,Piles waiting,'
      + 'Comes off,Remains,By knife',
    )
    expect(lines).toHaveLength(1 + outcomes.reduce((sum, { steps }) => sum + steps.length, 0))
    expect(lines[1]).toMatch(/^Kelp,1,1,sheet 1,/)
  })

  it('lists every cut of the class with whose paper it is, a row each', async () => {
    const orders = ordersOf(outcomes, { ...batch, wishes: { ...batch.wishes, sittings: 2 } })
    const lines = (await ordersCsv(batch, orders)).trimEnd().split('\n')
    expect(lines[0]).toMatch(/^Sitting,Step,Setting,In hand,.*,Papers in hand,Papers that come off,.*,Under the blade$/)
    expect(lines).toHaveLength(1 + orders.reduce((sum, { steps }) => sum + steps.length, 0))
    expect(new Set(lines.slice(1).map(line => line.split(',')[0]))).toEqual(new Set(['1', '2']))
    for (const { paper } of outcomes.filter(({ steps }) => steps.length > 0))
      expect(lines.some(line => line.includes(paper.name))).toBe(true)
  })

  it('draws a layout in real size with every cut right across', async () => {
    const outcome = outcomes.find(({ paper }) => paper.key === 'kelp')!
    const svg = await layoutSvg(outcome, outcome.plan.layouts[0]!.key, batch)
    expect(svg).toContain('width="215.9mm"')
    expect(svg.match(/<line/g)!.length).toBeGreaterThanOrEqual(
      outcome.steps.flatMap(({ lines }) => lines).filter(line => line.layout === outcome.plan.layouts[0]!.key).length,
    )
    for (const name of outcome.entry.names.values()) expect(svg).toContain(name)
  })
})

describe('pieces as CSV', () => {
  it('puts width before height and names the unit', async () => {
    const [head, base] = (await piecesCsv(demo(), prepare(demo()))).split('\n')
    expect(head).toBe('Card,Piece,Width,Height,Per kit,In all,Paper,Made,Print top,Scores')
    expect(base).toBe(
      'Harbour lantern,Base,8 1/2 in,5 1/2 in,1,16,"Kelp, Fog",,any,mountain at 2 1/8 in; valley at 4 1/4 in',
    )
  })

  it.each([
    '=1+1', '+1', '-1', '@SUM(A1)', ' =1', '"=1', '\t=1', '|cmd', '3/4', '3-4', '1.5', '12:30', '2027-03-04', '4. Mai',
    '3 April 2027', 'March 5', 'Mar-5', 'mai 27', '3月4日', '4-Jan', 'Sept. 12, 2027', '1 1/2', 'J 1',
  ])('makes harmless what a spreadsheet somewhere would take for a formula or a date: %s', (text) => {
    expect(harmless(text)).toBe(`'${text}`)
  })

  it.each([
    'Harbour lantern', 'A6 envelope', 'Kelp', 'Paper Boats, children’s afternoon', '', 'Über-Karte', 'Don’t', '210',
  ])('leaves other words alone: %s', text => expect(harmless(text)).toBe(text))

  it('does not let a title become a formula', async () => {
    const batch = demo()
    batch.cards[0]!.title = '=HYPERLINK("http://x")'
    expect((await piecesCsv(batch, prepare(batch))).split('\n')[1]).toMatch(/^"'=HYPERLINK/)
  })
})

describe('bags as CSV', () => {
  it('have a row for every piece, strip and thing, with names that are no formulas', async () => {
    const [, tide] = demoBatches(new Date(2030, 0, 1))
    const roster = [{ ...newSeat('seat-1'), name: '=1+1', profile: 'own-stash' }]
    const profiles = tide!.prep.profiles.map(one => ({ ...one, levels: { ...one.levels, message: 'uncut' as const } }))
    const own = { ...tide!, roster, prep: { ...tide!.prep, profiles } }
    const bags = packedBags(prepare(own)).slice(0, 1)
    const rows = (await bagsCsv(bags, 'inch')).trimEnd().split('\n').slice(1)
    expect(rows).toHaveLength(14)
    expect(rows.every(row => row.startsWith('Seat 1,\'=1+1,Own stash,'))).toBe(true)
    expect(rows.filter(row => row.includes('you bring it'))).toHaveLength(8)
    expect(rows.filter(row => row.includes('Strip for Message panel') && row.endsWith('uncut'))).toHaveLength(2)
  })
})
