import { mountSuspended, registerEndpoint } from '@nuxt/test-utils/runtime'
import { flushPromises } from '@vue/test-utils'
import { getQuery } from 'h3'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { ListedClass } from '../../composables/useClassList'
import BinDialog from '../BinDialog.vue'
import ClassSection from './ClassSection.vue'

const one = (id: number, more: Partial<ListedClass> = {}): ListedClass => ({
  id, title: `Class ${id}`, date: '2030-01-02', seats: 12, spares: 1, delivery: 'in person',
  units: 'inch',
  cards: [{ title: 'Lantern', fold: 'z-fold', colours: { base: '#3f6b57' } }],
  bags: 13,
  pieces: 91,
  stops: 0,
  next: { station: 'cutting', words: 'Cut the sheets' }, short: [], ...more,
})
let classes: ListedClass[] = []
const asked: Record<string, string>[] = []
registerEndpoint('/api/classes', (event) => {
  const query = getQuery(event) as Record<string, string>
  asked.push(query)
  const found = classes.filter(({ title }) => title.includes(query.search ?? ''))
  return { total: found.length, classes: found.slice(Number(query.offset), Number(query.offset) + Number(query.limit)) }
})
let mounted: { unmount: () => void } | undefined
afterEach(() => {
  asked.length = 0
  mounted?.unmount()
  document.body.innerHTML = ''
})

async function section() {
  const props = { when: 'coming' as const, head: 'Coming up', none: 'Nothing.', search: '', today: '2030-01-01' }
  const shown = await mountSuspended(ClassSection, { props })
  mounted = shown
  return shown
}

describe('a list of classes', () => {
  it('is read by the stretch, and says how far', async () => {
    classes = Array.from({ length: 120 }, (_, index) => one(index))
    const shown = await section()
    await vi.waitFor(() => expect(shown.findAll('article')).toHaveLength(50))
    expect(shown.get('h2').text()).toContain('50 of 120')
    await shown.get('button.more').trigger('click')
    await vi.waitFor(() => expect(shown.findAll('article')).toHaveLength(100))
    await shown.get('button.more').trigger('click')
    await vi.waitFor(() => expect(shown.findAll('article')).toHaveLength(120))
    expect(shown.find('button.more').exists()).toBe(false)
    expect(asked.map(({ offset, limit }) => [offset, limit])).toEqual([['0', '50'], ['50', '50'], ['100', '50']])
    expect(shown.emitted('counted')?.at(-1)).toEqual([120])
  })

  it('is searched on the server, and says when nothing is called so', async () => {
    classes = [one(1), one(2, { title: 'Boats' })]
    const shown = await section()
    await vi.waitFor(() => expect(shown.findAll('article')).toHaveLength(2))
    await shown.setProps({ search: 'Boats' })
    await vi.waitFor(() => expect(shown.findAll('article')).toHaveLength(1))
    await shown.setProps({ search: 'Trains' })
    await vi.waitFor(() => expect(shown.text()).toContain('Nothing.'))
  })

  it('shows figures once they were worked out', async () => {
    classes = [one(1, { pending: true, unknown: 'yet', cards: [], pieces: 0 })]
    const shown = await section()
    await vi.waitFor(() => expect(shown.text()).toContain('figures are being worked out'))
    expect(shown.text()).not.toContain('pieces')
    classes = [one(1)]
    await vi.waitFor(() => expect(shown.text()).toContain('13 bags, 91 pieces'), { timeout: 5000 })
    expect(shown.text()).toContain('12 seats + 1 spare, in person')
  })
})

describe('the bin', () => {
  it('shows what was deleted and how long it rests, and brings it back', async () => {
    let entries = [{ id: 7, entity: 'class', title: 'Tide and Lantern', deleted: '2030-01-05T10:00:00Z', days: 29 }]
    const back: string[] = []
    registerEndpoint('/api/bin', () => ({ rest: 30, entries }))
    registerEndpoint('/api/bin/7/restore', {
      method: 'POST',
      handler: () => {
        back.push('7')
        entries = []
        return { entity: 'class', id: '3', title: 'Tide and Lantern' }
      },
    })
    mounted = await mountSuspended(BinDialog, { attachTo: document.body })
    await vi.waitFor(() => expect(document.body.textContent).toContain('Tide and Lantern'))
    expect(document.querySelector('tbody tr')?.textContent).toMatch(/5 January\s*29/)
    document.querySelector<HTMLButtonElement>('tbody button')?.click()
    await vi.waitFor(() =>
      expect(document.body.textContent).toContain('Nothing was deleted. Classes and papers rest here for 30 days.'),
    )
    await flushPromises()
    expect(back).toEqual(['7'])
  })
})
