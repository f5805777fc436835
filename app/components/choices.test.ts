import { mountSuspended } from '@nuxt/test-utils/runtime'
import { Select, SelectButton } from 'primevue'
import { describe, expect, it } from 'vitest'
import { lengthFrom } from '../../core/lengths'
import ChoiceField from './ChoiceField.vue'
import FewOf from './FewOf.vue'
import FoldOut from './FoldOut.vue'
import OneOf from './OneOf.vue'
import OneOfMany from './OneOfMany.vue'
import PlainButton from './PlainButton.vue'
import SizeFields from './SizeFields.vue'
import TickField from './TickField.vue'
import { measuredIn } from './testing'

const SIDES = [{ value: 'left', label: 'To the left' }, { value: 'right', label: 'To the right' }]
const ENVELOPES = [{ key: 'a6', name: 'A6 envelope' }, { key: 'small', name: 'Small envelope' }]

describe('one out of a few', () => {
  it('has always one chosen: what is chosen already cannot be taken back', async () => {
    const shown = await mountSuspended(OneOf, { props: { modelValue: 'left', options: SIDES } })
    const [left, right] = shown.findAll('button')
    expect([left!.text(), right!.text()]).toEqual(['To the left', 'To the right'])
    expect([left!.attributes('aria-pressed'), right!.attributes('aria-pressed')]).toEqual(['true', 'false'])
    await left!.trigger('click')
    await right!.trigger('click')
    expect(shown.emitted('update:modelValue')).toEqual([['right']])
  })

  it('is told what it is about by whoever uses it', async () => {
    const shown = await mountSuspended(OneOf, {
      props: { modelValue: 'left', options: SIDES }, attrs: { 'aria-label': 'Which side', 'size': 'small' },
    })
    expect(shown.get('[role=group]').attributes('aria-label')).toBe('Which side')
    expect(shown.findComponent(SelectButton).props('size')).toBe('small')
  })
})

describe('a list that may be long', () => {
  const numbers = (count: number) => Array.from({ length: count }, (_, at) => at + 1)
  const listed = (all: number[], before?: (one: number) => boolean) => mountSuspended(FewOf, {
    props: { all, few: 4, before } as never, slots: { default: ({ one }: { one: unknown }) => `${one},` },
  })

  it('shows the first few, those that matter among them in their order, and all of it once it is asked for', async () => {
    const shown = await listed(numbers(20), one => one === 12 || one === 17)
    expect(shown.text()).toBe('1,2,12,17,and 16 more')
    await shown.get('button').trigger('click')
    expect(shown.text()).toBe(`${numbers(20)},`)
    // No more than a few, however many matter.
    expect((await listed(numbers(20), one => one > 5)).text()).toBe('6,7,8,9,and 16 more')
  })

  it('leaves out none where that saves no room', async () => {
    for (const count of [0, 4, 5])
      expect((await listed(numbers(count))).findAll('button')).toEqual([])
  })
})

describe('one out of a list that opens', () => {
  it.each([
    ['values in words', SIDES, 'right', 'To the right'],
    ['entries by their names', ENVELOPES, 'small', 'Small envelope'],
  ])('shows %s', async (_, options, modelValue, text) => {
    const shown = await mountSuspended(OneOfMany, { props: { options, modelValue } as never })
    expect(shown.text()).toContain(text)
    shown.findComponent(Select).vm.$emit('update:modelValue', 'another')
    expect(shown.emitted('update:modelValue')).toEqual([['another']])
  })

  it('stands under its label, and can be taken back only where nothing means something', async () => {
    const plain = await mountSuspended(ChoiceField, { props: { label: 'Used as', options: SIDES, modelValue: 'left' } })
    expect(plain.get('label').text()).toBe('Used as')
    expect(plain.get('[role=combobox]').attributes('id')).toBe(plain.get('label').attributes('for'))
    expect(plain.findComponent(Select).props('showClear')).toBe(false)
    const props = { label: 'Which', options: ENVELOPES, modelValue: null, none: 'any', help: 'that is posted in' }
    const open = await mountSuspended(ChoiceField, { props })
    expect([open.findComponent(Select).props('showClear'), open.text()]).toEqual([true, expect.stringContaining('any')])
    expect(open.text()).toContain('that is posted in')
  })
})

describe('yes or no', () => {
  const KINDS: [switched: boolean, role: string][] = [[false, 'checkbox'], [true, 'switch']]
  it.each(KINDS)('is a box, or a switch where it is asked for (%s)', async (switched, role) => {
    const shown = await mountSuspended(TickField, { props: { modelValue: false, label: 'Posts flat', switched } })
    const input = shown.get('input')
    expect(input.attributes('role') ?? 'checkbox').toBe(role)
    expect(shown.get('label').attributes('for')).toBe(input.attributes('id'))
    await input.setValue(true)
    expect(shown.emitted('update:modelValue')).toEqual([[true]])
  })

  it('says what its name does not, and takes richer words', async () => {
    const shown = await mountSuspended(TickField, {
      props: { modelValue: true, help: 'even where that saves no sheet' }, slots: { default: () => 'Offcuts first' },
    })
    expect(shown.get('label').text()).toBe('Offcuts first, even where that saves no sheet')
    expect((shown.get('input').element as HTMLInputElement).checked).toBe(true)
  })
})

describe('a size', () => {
  it('has a field for each side, read in what the page is in', async () => {
    const shown = await mountSuspended(SizeFields, {
      ...measuredIn('inch', lengthFrom('1/8 in')), props: { width: '5 3/4 in', height: '8 3/4 in' },
    })
    const [width, height] = shown.findAll('input')
    expect([width!.element.value, height!.element.value]).toEqual(['5 3/4', '8 3/4'])
    await width!.trigger('keydown', { key: 'ArrowUp' })
    await height!.setValue('222 mm')
    expect(shown.emitted('change')).toEqual([['width', '5 7/8 in'], ['height', '222 mm']])
  })
})

describe('what is folded away', () => {
  it('is there when it is asked for', async () => {
    const shown = await mountSuspended(FoldOut, { props: { title: 'Prices' }, slots: { default: () => 'An hour' } })
    expect([shown.get('summary').text(), shown.get('details').attributes('open')]).toEqual(['Prices', undefined])
    expect((await mountSuspended(FoldOut, { props: { title: 'Prices', open: true } })).get('details').attributes())
      .toHaveProperty('open')
  })
})

describe('a button beside the one thing a page is for', () => {
  it('hands on what it is given', async () => {
    for (const disabled of [true, false]) {
      const clicks: number[] = []
      const shown = await mountSuspended(PlainButton, {
        attrs: { label: 'Add a rate', disabled, onClick: () => clicks.push(1) },
      })
      expect(shown.get('button').text()).toBe('Add a rate')
      await shown.get('button').trigger('click')
      expect(clicks).toEqual(disabled ? [] : [1])
    }
    const worded = await mountSuspended(PlainButton, { slots: { default: () => 'In words' } })
    expect(worded.get('button').text()).toBe('In words')
  })
})
