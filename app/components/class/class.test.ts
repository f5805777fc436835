import { mountSuspended } from '@nuxt/test-utils/runtime'
import { flushPromises } from '@vue/test-utils'
import type { DOMWrapper, VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { computed, defineComponent, h } from 'vue'
import { useClassStore } from '../../stores/class'
import { openedClass } from '../testing'
import CardEditor from '../card/CardEditor.vue'
import CardTabs from '../card/CardTabs.vue'
import ClassHeader from './ClassHeader.vue'
import ConflictDialog from './ConflictDialog.vue'
import PaperChoice from '../papers/PaperChoice.vue'

/** The bench of a class as its page lays it out, with its first card chosen. */
const Bench = defineComponent({
  setup() {
    const work = useClassStore()
    const cards = computed(() => work.preparation?.cards ?? [])
    return () => [
      h(ClassHeader),
      h(CardTabs, { cards: cards.value, chosen: cards.value[0]?.entry.key }),
      cards.value[0] && h(CardEditor, { key: cards.value[0].entry.key, card: cards.value[0] }),
      work.theirs && h(ConflictDialog),
    ]
  },
})

let mounted: VueWrapper | undefined
const bench = async () => {
  // The pieces lie in a drawer.
  localStorage.setItem('wakaru-drawer', 'true')
  return (mounted = await mountSuspended(Bench, { attachTo: document.body }))
}
afterEach(() => {
  mounted?.unmount()
  useClassStore().close()
  vi.useRealTimers()
  document.body.innerHTML = ''
})

/** The input under a label. */
function input(shown: VueWrapper, label: string): Pick<DOMWrapper<HTMLInputElement>, 'element' | 'setValue'> {
  const found = shown.findAll('label').find(entry => entry.text() === label)
  if (!found) throw new Error(`There is no field “${label}”.`)
  return shown.get<HTMLInputElement>(`[id="${found.attributes('for')}"]`)
}
/** The size of a piece as it is read out. */
const sizeOf = (shown: VueWrapper, piece: string) => {
  const row = shown.findAll('tbody tr').find(entry => entry.find('th').text() === piece)
  return row?.get('.measure').findAll('.unseen').map(length => length.text())
}
const button = (name: string) =>
  [...document.querySelectorAll('button')].find(entry =>
    [entry.textContent?.trim(), entry.getAttribute('aria-label')].includes(name),
  )
/** Long enough for what was changed to be saved. */
const saved = async () => {
  await vi.advanceTimersByTimeAsync(600)
  await vi.waitFor(() => expect(useClassStore().state).not.toMatch(/waiting|saving/))
  await flushPromises()
}

describe('a paper of a shelf that is too large to be here whole', () => {
  it('is found by its name, and fetched once it is chosen', async () => {
    const { studio, work } = await openedClass()
    const [kelp] = studio.document.papers
    studio.elsewhere = [{ ...kelp!, key: 'zebra', name: 'Zebra' }, { ...kelp!, key: 'zinc', name: 'Zinc' }]
    await work.bring('nothing')
    expect(work.morePapers).toBe(2)
    const shown = await mountSuspended(PaperChoice, {
      props: { label: 'Base', papers: work.batch.papers, modelValue: 'kelp' },
    })
    mounted = shown
    const select = shown.getComponent({ name: 'Select' })
    const names = () => (select.props('options') as { name: string }[]).map(({ name }) => name)
    expect(names()).not.toContain('Zebra')
    select.vm.$emit('filter', { value: 'zeb' })
    await vi.waitFor(() => expect(names()).toContain('Zebra'))
    expect(names()).not.toContain('Zinc')
    select.vm.$emit('update:modelValue', 'zebra')
    await vi.waitFor(() => expect(shown.emitted('update:modelValue')).toEqual([['zebra']]))
    expect(work.batch.papers.some(({ key }) => key === 'zebra')).toBe(true)
    expect([work.morePapers, work.state]).toEqual([1, 'saved'])
  })
})

describe('a class under the maker’s hands', () => {
  beforeEach(() => vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))

  it('shows every piece that follows from a number while it is typed, and sends nothing but the number', async () => {
    const { studio } = await openedClass()
    const shown = await bench()
    expect(sizeOf(shown, 'Base')).toEqual(['8 1/2 in', '5 1/2 in'])
    await input(shown, 'Finished height').setValue('5')
    expect(sizeOf(shown, 'Base')).toEqual(['8 1/2 in', '5 in'])
    expect(sizeOf(shown, 'Message panel')?.[1]).toBe('4 1/2 in')
    await saved()
    expect(studio.sent.map(({ patches }) => patches)).toEqual([
      [{ op: 'set', path: ['cards', 'harbour-lantern', 'parameters', 'height'], value: '5 in' }],
    ])
    expect(shown.text()).toContain('Saved')
  })

  it('takes a change back and does it again by its buttons', async () => {
    const { studio } = await openedClass()
    const shown = await bench()
    expect(button('Take back the last change')?.disabled).toBe(true)
    await input(shown, 'Name of the card').setValue('Lantern at the pier')
    button('Take back the last change')?.click()
    await flushPromises()
    expect(input(shown, 'Name of the card').element.value).toBe('Harbour lantern')
    button('Do the change again')?.click()
    await saved()
    expect(studio.document.cards[0]?.title).toBe('Lantern at the pier')
  })

  it('says what the server refuses, keeps it on screen, and saves what is put right', async () => {
    const { studio } = await openedClass()
    const shown = await bench()
    studio.refusal = {
      statusCode: 400, data: { problems: [{ path: 'cards.harbour-lantern.title', problem: 'is taken.' }] },
    }
    await input(shown, 'Name of the card').setValue('Two tides')
    await saved()
    expect(shown.text()).toContain(
      'The last change is not saved: title of “Two tides” is taken. It stays on this screen',
    )
    expect(studio.sent).toEqual([])
    await input(shown, 'Name of the card').setValue('Two tides again')
    await saved()
    expect(shown.text()).not.toContain('not saved')
    expect(studio.document.cards[0]?.title).toBe('Two tides again')
  })

  it('offers to try again where the server broke down, and does', async () => {
    const { studio } = await openedClass()
    const shown = await bench()
    studio.refusal = { statusCode: 500 }
    await input(shown, 'Name of the card').setValue('Pier lantern')
    await saved()
    expect(shown.text()).toContain('The server could not save the last change. It is kept in this browser.')
    button('Try again')?.click()
    await saved()
    expect(studio.document.cards[0]?.title).toBe('Pier lantern')
  })

  it('names both sides of what two windows have changed, and does what the maker chooses', async () => {
    const { studio, work } = await openedClass()
    const shown = await bench()
    studio.change((document) => {
      for (const card of document.cards) if (card.key === 'harbour-lantern') card.title = 'Theirs'
      document.class.notes = 'Bring lamps.'
    })
    await input(shown, 'Name of the card').setValue('Mine')
    studio.refusal = { statusCode: 409, data: { message: 'changed meanwhile' } }
    await vi.advanceTimersByTimeAsync(600)
    await vi.waitFor(() => expect(work.state).toBe('conflict'))
    await flushPromises()
    const rows = [...document.querySelectorAll('[role=dialog] tbody tr')]
      .map(({ children }) => [...children].map(cell => cell.textContent?.trim()))
    expect(rows).toEqual([['title of “Mine”', 'Mine', 'Theirs']])
    button('Keep mine')?.click()
    await saved()
    expect(studio.document.cards[0]?.title).toBe('Mine')
    expect([work.batch.class.notes, studio.document.class.notes]).toEqual(['Bring lamps.', 'Bring lamps.'])
  })

  it('sets what a finding says to the value that is right', async () => {
    const { studio } = await openedClass()
    const shown = await bench()
    await input(shown, 'Plate width').setValue('9')
    await saved()
    const fix = shown.findAll('li button').find(entry => entry.text().startsWith('Set '))
    expect(shown.text()).toContain('Put right first')
    await fix?.trigger('click')
    await saved()
    expect(shown.text()).not.toContain('Put right first')
    expect(studio.document.cards[0]?.parameters.plateWidth).toBe(fix?.text().replace('Set ', ''))
  })

  it('makes fewer kits of one card, and as many as there are seats again where the field is left empty', async () => {
    const { studio, work } = await openedClass()
    const shown = await bench()
    const kits = input(shown, 'Kits of this card')
    expect(kits.element.value).toBe('16')
    await kits.setValue('9')
    await saved()
    expect(studio.document.cards[0]?.kits).toBe(9)
    expect(work.prepared.cards[0]?.kits).toBe(9)
    expect(shown.getComponent(CardTabs).get('button').text()).toContain('9 kits')
    await kits.setValue('99999')
    expect(work.prepared.cards[0]?.kits).toBe(9)
    await kits.setValue('')
    await saved()
    expect(studio.document.cards[0]?.kits).toBeNull()
  })
})
