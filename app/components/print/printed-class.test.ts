import { mountSuspended, registerEndpoint } from '@nuxt/test-utils/runtime'
import { flushPromises } from '@vue/test-utils'
import { createError } from 'h3'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { usePrintedClass } from '../../composables/usePrintedClass'
import { useClassStore } from '../../stores/class'
import { MadeUpStudio } from '../testing'
import PrintedClass from './PrintedClass.vue'

/** A printed page as they all are: what it prints needs the class. */
const Page = defineComponent({
  props: { ready: { type: Boolean, default: true } },
  setup(props) {
    const page = usePrintedClass('Piece lists')
    const sections = () => page.work.prepared.cards.map(({ entry }) => ({ heading: entry.title, blocks: [] }))
    return () => h(PrintedClass, {
      page, print: () => page.printOf(sections(), true), back: 'pieces', wait: 'Laying out', ready: props.ready,
    })
  },
})
const at = (id: number, ready = true) =>
  mountSuspended(Page, { route: `/print/${id}/pieces`, props: { ready } })

afterEach(() => useClassStore().close())

describe('a printed page of a class', () => {
  it('says what it waits for, and asks for its print once the class is open', async () => {
    const studio = new MadeUpStudio()
    const opened = vi.spyOn(useClassStore(), 'open').mockReturnValue(new Promise(() => {}))
    const waiting = await at(1)
    expect(waiting.text()).toBe('Laying out …')
    waiting.unmount()
    opened.mockRestore()

    const shown = await at(1)
    await vi.waitFor(() => expect(shown.text()).not.toContain('Laying out …'), { timeout: 10_000 })
    expect(shown.text()).toContain(`Piece lists ${studio.document.class.title}`)
    for (const { title } of studio.document.cards) expect(shown.text()).toContain(title)
    const back = shown.findAllComponents({ name: 'Button' }).find(button => button.text() === 'Back to the class')
    expect(back?.props('to') ?? back?.attributes('href') ?? back?.attributes('to')).toContain('/classes/1/pieces')
  })

  it('waits for the plan where it is asked to', async () => {
    new MadeUpStudio()
    await useClassStore().open(1)
    expect((await at(1, false)).text()).toBe('Laying out …')
  })

  it('says why where there is no such class', async () => {
    registerEndpoint('/api/classes/77', () => {
      throw createError({ statusCode: 404, data: { message: 'There is no class 77.' } })
    })
    const shown = await at(77)
    await flushPromises()
    await vi.waitFor(() => expect(shown.text()).not.toContain('Laying out'))
    expect(shown.find('table').exists()).toBe(false)
  })
})
