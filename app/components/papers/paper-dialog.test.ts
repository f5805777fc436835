import { mountSuspended } from '@nuxt/test-utils/runtime'
import { flushPromises } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { usePapersStore } from '../../stores/papers'
import { MadeUpStudio } from '../testing'
import PaperDialog from './PaperDialog.vue'

let mounted: { unmount: () => void } | undefined
afterEach(() => {
  mounted?.unmount()
  document.body.innerHTML = ''
})

async function opened(key?: string) {
  const studio = new MadeUpStudio()
  const shelf = usePapersStore()
  await shelf.load()
  const shown = await mountSuspended(PaperDialog, {
    props: { paper: shelf.papers.find(paper => paper.key === key) },
    attachTo: document.body,
  })
  mounted = shown
  await flushPromises()
  const part = <E extends HTMLElement>(selector: string) => {
    const found = document.querySelector<E>(selector)
    if (!found) throw new Error(`Nothing is “${selector}”.`)
    return found
  }
  const type = (label: string, text: string) => {
    const field = [...document.querySelectorAll('label')].find(entry => entry.textContent === label)
    const input = part<HTMLInputElement>(field ? `[id="${field.htmlFor}"]` : `[aria-label="${label}"]`)
    input.value = text
    input.dispatchEvent(new Event('input', { bubbles: true }))
  }
  const press = async (name: string) => {
    [...document.querySelectorAll('button')].find(({ textContent }) => textContent?.trim() === name)?.click()
    await flushPromises()
  }
  const save = async () => {
    part<HTMLFormElement>('form').dispatchEvent(new Event('submit', { bubbles: true, cancelable: true }))
    // It ends with the dialog closed or with what is wrong.
    await vi.waitFor(() => expect(shown.emitted('close') ?? document.querySelector('.wrong')).toBeTruthy())
  }
  return { studio, shelf, shown, part, type, press, save }
}

describe('a paper in its dialog', () => {
  it('goes on the shelf under a key of its own', async () => {
    const { studio, shown, type, save } = await opened()
    type('Name', 'Kelp')
    await save()
    expect(studio.document.papers.at(-1)).toMatchObject({ key: 'kelp-2', name: 'Kelp', kind: 'cardstock', weight: 250 })
    expect(shown.emitted('close')).toHaveLength(1)
  })

  it('sends what was changed and nothing else', async () => {
    const { studio, type, save } = await opened('kelp')
    type('Width of sheet 1', '9 in')
    await save()
    const path = ['papers', 'kelp', 'stocks', expect.any(String), 'width']
    expect(studio.sent).toEqual([
      expect.objectContaining({ class: null, patches: [{ op: 'set', path, value: '9 in' }] }),
    ])
  })

  it('adds an offcut in the measure of its sheets', async () => {
    const { studio, press, save } = await opened('kelp')
    const before = studio.document.papers.find(({ key }) => key === 'kelp')?.offcuts.length ?? 0
    await press('Add an offcut')
    await save()
    const offcuts = studio.document.papers.find(({ key }) => key === 'kelp')?.offcuts ?? []
    expect(offcuts).toHaveLength(before + 1)
    expect(offcuts.at(-1)).toMatchObject({ width: '5 1/2 in', height: '4 1/4 in', count: 1 })
  })

  it('says at its field what the server finds wrong, and stays open', async () => {
    const { studio, shown, part, type, save } = await opened('kelp')
    studio.refusal = { statusCode: 422, data: { problems: [{ path: 'papers.kelp.name', problem: 'is taken' }] } }
    type('Name', 'Fog')
    await save()
    expect(part('.field .wrong').textContent?.trim()).toBe('The name is taken.')
    expect(shown.emitted('close')).toBeUndefined()
    expect(studio.document.papers.find(({ key }) => key === 'kelp')?.name).not.toBe('Fog')
  })
})
