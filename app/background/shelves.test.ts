import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { studioShelf } from './shelves'

const asked: { address: string, options: { query?: { ids: string }, method?: string, body?: string } }[] = []
let isAway = false
vi.stubGlobal('$fetch', async (address: string, options: (typeof asked)[number]['options']) => {
  asked.push({ address, options })
  if (isAway) throw new Error('away')
  return Object.fromEntries((options.query?.ids ?? '').split(',').map(id => [id, `[${id}]`]))
})
beforeEach(() => {
  vi.useFakeTimers()
  asked.length = 0
  isAway = false
})
afterEach(() => void vi.useRealTimers())

it('asks for many in stretches, each short enough for an address', async () => {
  const ids = Array.from({ length: 95 }, (_, at) => `${at}`)
  expect([...await studioShelf().find(ids)]).toEqual(ids.map(id => [id, `[${id}]`]))
  expect(asked.map(({ options }) => options.query!.ids.split(',').length)).toEqual([40, 40, 15])
})

it('leaves a studio that does not answer alone for a while', async () => {
  const shelf = studioShelf()
  isAway = true
  await expect(shelf.find(['a'])).rejects.toThrow('away')
  isAway = false
  expect(await shelf.find(['a'])).toEqual(new Map())
  expect(asked).toHaveLength(1)
  vi.advanceTimersByTime(31_000)
  expect(await shelf.find(['a'])).toEqual(new Map([['a', '[a]']]))
})

it('sends each text as it is', async () => {
  await studioShelf().keep(new Map([['a', '[1]'], ['b', '[2]']]))
  expect(asked.map(({ address, options }) => [address, options.method, options.body])).toEqual(
    [['/api/kept/a', 'PUT', '[1]'], ['/api/kept/b', 'PUT', '[2]']])
})
