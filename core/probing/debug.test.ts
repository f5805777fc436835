import { it } from 'vitest'
import { chanceOf, randomDressing } from '../dressing/testing'
import { lyingFindings, dressedCard, seenFaces, areaOfAll } from '../dressing'
import { FOLDS } from '../folds'
import { inches, millimetres } from '../lengths'
import { THIN, standing, placeOn, nameOf, times } from './space'
import { shareSeen, probesOn, isHidden, CLOSED } from './looking'

const MARK = { inch: inches(1 / 16), metric: millimetres(1) } as const
it('debug', () => {
  for (const one of (process.env.AT ?? '').split(' ')) {
    const [seed, key] = one.split(':')
    const chance = chanceOf(Number(seed))
    const fold = chance.pick(FOLDS)
    const units = chance.pick(['inch', 'metric'] as const)
    const card: any = { parameters: {}, papers: {}, faces: [], free: [], parts: [] }
    Object.assign(card, randomDressing(fold, card, units, chance))
    const made = dressedCard(fold, card, units, MARK[units])
    console.log(seed, key, fold.id)
    for (const { name, part, problem } of lyingFindings(made, units) as any) console.log('  said', part, problem)
    const short = (e: any) => `${e.key} ${e.shape} ${e.hold} ${e.width}x${e.height} ${e.left},${e.bottom} turn ${e.turn ?? 0} on ${e.face} ${e.count ?? ''} ${e.glue ? JSON.stringify(e.glue) : ''}`
    for (const f of card.faces) console.log('  face', f.key, f.layers.map(short).join(' | '))
    for (const f of card.free) console.log('  free', short(f))
    for (const f of card.parts) console.log('  part', JSON.stringify(f))
    for (const j of made.joints) console.log('   joint', j.part, 'by', j.by.key, 'onto', nameOf(j.onto), j.face, j.faceDown ? 'down' : '', j.means, [j.x, j.y, j.by.width, j.by.height].map(m => (m.value / 1e6).toFixed(1)).join(' '), j.turned, j.slide ? 'slides' : '', 'glue', [j.glue.x, j.glue.y, j.glue.width, j.glue.height].map(m => (m.value / 1e6).toFixed(1)).join(' '))
    for (const [name, opening, near] of [['shown', 1, 3e6], ['shut', CLOSED, Infinity]] as const) {
      const sheets = standing(made, opening, THIN)
      for (const sheet of sheets.filter(s => s.part.key === key)) for (const side of [1, -1] as const) {
        const first = seenFaces(made).find(f => f.panel === sheet.panel && (f.side === 'inside') === (side === 1))
        const hiders = sheets.filter(o => o !== sheet && probesOn(sheet).some(({ spot: s }) => isHidden([o], sheet, s, side, { within: near, slope: 0.05 }))).map(o => nameOf(o.panel))
        console.log('   ', name, sheet.panel.key, side, shareSeen(sheets, sheet, side, { within: near, slope: 0.05 }).toFixed(3), 'first', first && (areaOfAll(name === 'shown' ? first.open : first.closed) / areaOfAll([first.whole])).toFixed(3), 'by', hiders.join(', '))
      }
    }
  }
})
