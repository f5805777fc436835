import { mountSuspended } from '@nuxt/test-utils/runtime'
import { ConfirmDialog, Select } from 'primevue'
import { describe, expect, it } from 'vitest'
import { defineComponent, h, nextTick } from 'vue'
import { FOLDS, pictureOf } from '../../core/folds'
import { MILLIMETRE } from '../../core/lengths'
import { useAsk, useAsking } from '../composables/useAsk'
import { editable } from '../utils/editable'
import CardPicture from './drawing/CardPicture.vue'
import FoldSketch from './drawing/FoldSketch.vue'
import IconButton from './IconButton.vue'
import NameField from './NameField.vue'
import NumberField from './NumberField.vue'
import PickOne from './PickOne.vue'

describe('an entry in a form', () => {
  const entry: { width: string, turn: number, hold: string } = Object.freeze({ width: '4 in', turn: 0, hold: 'tape' })

  it('tells each field that is set as a change, and is never written to', () => {
    const told: Partial<typeof entry>[] = []
    const own = editable(entry, change => told.push(change))
    own.width = '5 in'
    own.turn = 90
    expect(told).toEqual([{ width: '5 in' }, { turn: 90 }])
    expect([own.width, own.turn, entry.width]).toEqual(['4 in', 0, '4 in'])
    expect({ ...own, hold: 'glue' }).toEqual({ ...entry, hold: 'glue' })
  })

  it('binds fields as it is', async () => {
    const told: object[] = []
    const own = editable({ count: 2 }, change => told.push(change))
    const Form = defineComponent(() => () => h(NumberField, {
      'modelValue': own.count, 'label': 'In a kit', 'min': 1, 'max': 9,
      'onUpdate:modelValue': (value: number | null) => (own.count = value ?? 0),
    }))
    const shown = await mountSuspended(Form)
    await shown.get('input').setValue('7')
    await shown.get('input').setValue('12')
    await shown.get('input').setValue('')
    // What cannot be read leaves in force what stood before.
    expect(told).toEqual([{ count: 7 }])
    expect(shown.text()).toContain('It stays 2.')
  })
})

describe('a name', () => {
  it('is never nothing', async () => {
    const shown = await mountSuspended(NameField, { props: { modelValue: 'Topper' }, attrs: { 'aria-label': 'Name' } })
    const input = shown.get('input')
    expect([input.attributes('aria-label'), input.element.value]).toEqual(['Name', 'Topper'])
    for (const typed of ['', '   ', 'Star']) await input.setValue(typed)
    expect(shown.emitted('update:modelValue')).toEqual([['Star']])
  })
})

describe('a pick', () => {
  it('is told at once, and the same one can be picked again', async () => {
    const options = [{ title: 'Tide' }, { title: 'Frost' }]
    const props = { options, named: 'title' as never, words: 'Add to a class' }
    const shown = await mountSuspended(PickOne, { props })
    const list = () => shown.findComponent(Select)
    expect([list().props('placeholder'), list().props('filter')]).toEqual(['Add to a class', false])
    list().vm.$emit('update:modelValue', options[1])
    await nextTick()
    expect(list().props('modelValue')).toBeUndefined()
    list().vm.$emit('update:modelValue', options[1])
    expect(shown.emitted('pick')).toEqual([[options[1]], [options[1]]])
  })

  it('out of many can be looked for by name', async () => {
    const options = Array.from({ length: 9 }, (_, at) => ({ title: `Class ${at}` }))
    const props = { options, named: 'title' as never, words: 'Add to a class' }
    const shown = await mountSuspended(PickOne, { props })
    expect(shown.findComponent(Select).props('filter')).toBe(true)
  })
})

describe('a button that is a picture', () => {
  it('says what it does to who cannot see it', async () => {
    let clicks = 0
    const shown = await mountSuspended(IconButton, {
      props: { icon: 'tabler:trash', label: 'Remove Topper', tip: 'Remove' }, attrs: { onClick: () => clicks++ },
    })
    const button = shown.get('button')
    await button.trigger('click')
    expect([button.attributes('aria-label'), clicks]).toEqual(['Remove Topper', 1])
  })
})

describe('a card in a list', () => {
  it.each(FOLDS.map(({ id, name }) => [name, id]))('is drawn before: %s', async (name, id) => {
    const fold = FOLDS.find(one => one.id === id)!
    for (const units of ['inch', 'metric'] as const) {
      const props = { fold: id, units, colours: { base: '#123456' }, title: name }
      const shown = await mountSuspended(CardPicture, { props })
      const drawn = pictureOf(fold.construct({}, units, MILLIMETRE), fold.view)
      expect(shown.findAll('path.panel').map(path => path.attributes('d'))).toEqual(drawn.map(({ path }) => path))
      const bases = shown.findAll('path.panel').filter(path => path.attributes('fill') === '#123456')
      expect(bases).toHaveLength(drawn.filter(({ part }) => part === 'base').length)
    }
  })

  it('that is dressed is drawn as it looks, and a fold that is gone as nothing', async () => {
    const picture = [{ part: 'base', path: 'M0,0L1,0L1,1Z', light: 1 }]
    const props = { fold: 'z-fold', units: 'inch' as const, colours: {}, title: 'Mine' }
    const dressed = await mountSuspended(CardPicture, { props: { ...props, picture } })
    expect(dressed.get('path.panel').attributes('d')).toBe('M0,0L1,0L1,1Z')
    const gone = await mountSuspended(CardPicture, { props: { ...props, fold: 'no-such-fold' } })
    expect([gone.find('path').exists(), gone.attributes('aria-label')]).toEqual([false, 'Mine'])
  })

  it('is sketched beside its words, where nobody has it read out', async () => {
    const fold = FOLDS[0]!
    const construction = fold.construct({}, 'inch', MILLIMETRE)
    const props = { construction, view: fold.view, width: 150, height: 100 }
    const shown = await mountSuspended(FoldSketch, { props })
    expect([shown.attributes('aria-hidden'), shown.attributes('width')]).toEqual(['true', '150'])
    expect(shown.findAll('path, polygon').length).toBeGreaterThan(3)
  })
})

describe('a question', () => {
  it('waits for its dialog, and does what it asks about only when that is meant', async () => {
    let done = 0
    let ask!: ReturnType<typeof useAsk>
    let asking!: ReturnType<typeof useAsking>
    const Page = defineComponent(() => {
      ask = useAsk()
      asking = useAsking()
      return () => (asking.value === 'no' ? null : h(ConfirmDialog, { onVnodeMounted: () => (asking.value = 'here') }))
    })
    const shown = await mountSuspended(Page)
    expect(asking.value).toBe('no')
    await ask({
      header: 'Delete this class?', message: 'It goes into the bin.', yes: 'Delete class', accept: () => done++,
    })
    await nextTick()
    const dialog = shown.findComponent(ConfirmDialog)
    expect([asking.value, dialog.exists(), done]).toEqual(['here', true, 0])
    const buttons = [...document.querySelectorAll<HTMLButtonElement>('[role=alertdialog] button')]
    expect(document.body.textContent).toContain('It goes into the bin.')
    buttons.find(({ textContent }) => textContent?.includes('Delete class'))?.click()
    await nextTick()
    expect(done).toBe(1)
  })
})
