import { it } from 'vitest'
import { chanceOf, randomDressing } from '../dressing/testing'
import { lyingFindings, dressedCard } from '../dressing'
import { FOLDS } from '../folds'
import { inches, millimetres } from '../lengths'
import { nameOf } from './space'
import { debugWay } from './passing'
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
  for (const { name, part, problem } of lyingFindings(made, units) as any) if (part === key) console.log('  said', part, problem)
  for (const j of made.joints.filter(j => j.part === key)) console.log('   joint', j.part, 'by', j.by.key, 'onto', nameOf(j.onto), j.face, j.faceDown ? 'down' : '', j.means, j.foam ?? '', [j.x, j.y, j.by.width, j.by.height].map(m => (m.value / 1e6).toFixed(1)).join(' '), j.turned, j.slide ? 'slides' : '', 'glue', [j.glue.x, j.glue.y, j.glue.width, j.glue.height].map(m => (m.value / 1e6).toFixed(1)).join(' '))
  console.log(debugWay(made, key!).join('\n'))
  }
})
