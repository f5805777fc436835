import { mountSuspended } from '@nuxt/test-utils/runtime'
import { describe, expect, it } from 'vitest'
import type { Units } from '../../core/lengths'
import { lengthFrom } from '../../core/lengths'
import type { ValuesOf } from '../../core/document'
import { PRICES, WISHES, naturalOf } from '../../core/document'
import { foldById } from '../../core/folds'
import TextListField from './card/TextListField.vue'
import FindingList from './card/FindingList.vue'
import CutNote from './cutting/CutNote.vue'
import DayField from './DayField.vue'
import FieldRows from './FieldRows.vue'
import LengthField from './LengthField.vue'
import LengthText from './LengthText.vue'
import MoneyField from './MoneyField.vue'
import NumberField from './NumberField.vue'
import SizeRows from './papers/SizeRows.vue'
import { measuredIn } from './testing'

const mark = lengthFrom('1/16 in')
const field = async (modelValue: string, more: object = {}, units: Units = 'inch') => {
  const shown = await mountSuspended(LengthField, {
    ...measuredIn(units, mark), props: { modelValue, label: 'Width', ...more },
  })
  const input = shown.get('input')
  return { shown, input, taken: () => (shown.emitted('update:modelValue') ?? []).flat() }
}

describe('a field for a length', () => {
  it('shows a length as makers of either school write it', async () => {
    expect((await field('139.7 mm')).input.element.value).toBe('5 1/2')
    expect((await field('5 1/2 in', {}, 'metric')).input.element.value).toBe('5 1/2 in')
  })

  it('takes what can be read and says why it does not take the rest', async () => {
    const { shown, input, taken } = await field('4 in')
    await input.trigger('focus')
    await input.setValue('5 1/2')
    expect(taken()).toEqual(['5 1/2 in'])
    await input.setValue('five')
    expect(taken()).toEqual(['5 1/2 in'])
    expect(shown.get('.wrong').text()).toContain('five')
    expect(shown.get('input').attributes('aria-describedby')).toBe(shown.get('.wrong').attributes('id'))
    await input.setValue('0')
    expect(shown.get('.wrong').text()).toBe('This must be more than zero. It stays 4.')
    await input.setValue('-1')
    expect(taken()).toEqual(['5 1/2 in'])
  })

  it('takes zero where it means something', async () => {
    const { input, taken } = await field('4 in', { zero: true })
    await input.setValue('0')
    expect(taken()).toEqual(['0 in'])
  })

  it('goes a mark up and down by the arrow keys, and not below a mark', async () => {
    const { input, taken } = await field('1/8 in')
    await input.trigger('keydown', { key: 'ArrowUp' })
    expect(taken().at(-1)).toBe('3/16 in')
    for (let times = 0; times < 5; times++) await input.trigger('keydown', { key: 'ArrowDown' })
    expect(taken().at(-1)).toBe('1/16 in')
  })

  it('keeps what is being typed when the value comes back written otherwise', async () => {
    const { shown, input } = await field('4 in')
    await input.trigger('focus')
    await input.setValue('5.5')
    await shown.setProps({ modelValue: '5 1/2 in' })
    expect(input.element.value).toBe('5.5')
    await input.trigger('blur')
    expect(input.element.value).toBe('5 1/2')
  })

  it('goes back to what it was when what is typed cannot be read any more', async () => {
    const { input, shown, taken } = await field('4 1/4 in', {
      'onUpdate:modelValue': (modelValue: string) => shown.setProps({ modelValue }),
    })
    await input.trigger('focus')
    for (const text of ['5', '5 ', '5 7', '5 7/', '5 7/1', '5 7/17']) await input.setValue(text)
    await input.trigger('blur')
    // The whole inch on the way counted; what cannot be read does not, nor does what would have been 12.
    expect(taken()).toEqual(['5 in', '4 1/4 in'])
    expect([input.element.value, shown.get('.wrong').text()]).toEqual([
      '5 7/17',
      'No ruler has 7/17: use halves down to 64ths, or a decimal. It stays 4 1/4.',
    ])
    await input.setValue('5 7/1')
    expect(shown.get('.wrong').text()).toBe('A fraction over 1 is a whole number. It stays 4 1/4.')
    await input.trigger('keydown', { key: 'Escape' })
    expect([input.element.value, shown.find('.wrong').exists()]).toEqual(['4 1/4', false])
  })

  it('shows a change that comes from elsewhere, such as an undo, while it has the focus', async () => {
    const { input, shown, taken } = await field('4 in', {
      'onUpdate:modelValue': (modelValue: string) => shown.setProps({ modelValue }),
    })
    await input.trigger('focus')
    await input.trigger('keydown', { key: 'ArrowUp' })
    expect([taken(), input.element.value]).toEqual([['4 1/16 in'], '4 1/16'])
    await shown.setProps({ modelValue: '4 in' })
    expect(input.element.value).toBe('4')
    // What was typed and refused gives way as well.
    await input.setValue('wide')
    await shown.setProps({ modelValue: '3 in' })
    expect(input.element.value).toBe('3')
  })
})

describe('a field for a number', () => {
  const number = async (more: object) => {
    const shown = await mountSuspended(NumberField, {
      props: {
        'modelValue': 20,
        'min': 0,
        'max': 10_000,
        'onUpdate:modelValue': (modelValue: number | null) => shown.setProps({ modelValue }),
        ...more,
      },
    })
    const input = shown.get('input')
    return { shown, input, taken: () => (shown.emitted('update:modelValue') ?? []).flat() }
  }

  it('means what is typed and nothing of what was there', async () => {
    const { input, taken } = await number({})
    await input.trigger('focus')
    await input.setValue('')
    await input.setValue('1')
    await input.setValue('16')
    expect(taken().at(-1)).toBe(16)
  })

  it('refuses what is out of its bounds, and it stays what it was', async () => {
    const { shown, input, taken } = await number({})
    await input.setValue('-3')
    expect([taken(), shown.get('.wrong').text()]).toEqual([[], 'At least 0. It stays 20.'])
  })

  it('takes money with its point, and keeps cents', async () => {
    const shown = await mountSuspended(MoneyField, { props: { modelValue: 40, max: 1_000_000, blank: null } })
    const input = shown.get('input')
    expect(input.element.value).toBe('0.40')
    await input.setValue('0.95')
    await input.setValue('')
    expect(shown.emitted('update:modelValue')).toEqual([[95], [null]])
  })
})

describe('a field for a day', () => {
  it('reads every usual form and says the day in words', async () => {
    const shown = await mountSuspended(DayField, {
      props: {
        'modelValue': '2027-04-10',
        'inputId': 'day',
        'units': 'inch' as const,
        'onUpdate:modelValue': (modelValue: string) => shown.setProps({ modelValue }),
      },
    })
    const input = shown.get('input')
    expect(input.element.value).toBe('10 April 2027')
    await input.trigger('focus')
    await input.setValue('4/3/27')
    expect([shown.emitted('update:modelValue')?.at(-1), shown.get('[aria-live]').text()]).toEqual([
      ['2027-04-03'], 'Saturday 3 April 2027',
    ])
    await input.setValue('4/3/27 evening')
    expect([input.element.value, shown.emitted('update:modelValue')?.at(-1)]).toEqual([
      '4/3/27 evening', ['2027-04-10'],
    ])
    expect(shown.get('.wrong').text()).toContain('Write the day like 3 April 2027')
  })
})

describe('a length in words', () => {
  it('is set with a true fraction and read out plainly', async () => {
    const shown = await mountSuspended(LengthText, {
      props: { length: lengthFrom('4 1/8 in'), unit: true },
    })
    expect(shown.get('.unseen').text()).toBe('4 1/8 in')
    expect(shown.get('.fraction').text()).toBe('1/8')
    expect(shown.get('[aria-hidden]').text()).toContain('in')
  })
})

describe('a field for a list', () => {
  it('takes a list once it can be read', async () => {
    const parameter = foldById('own-strip')?.parameters.scores
    if (parameter?.kind !== 'text') throw new Error('The strip of one’s own has no list of scores.')
    const shown = await mountSuspended(TextListField, { props: { modelValue: '2 valley', parameter } })
    const area = shown.get('textarea')
    await area.setValue('2 valley, 4 mou')
    expect(shown.emitted('update:modelValue')).toBeUndefined()
    expect(shown.get('.wrong').text()).toContain('“4 mou” is not of the form')
    await area.setValue('2 valley, 4 mountain')
    expect(shown.emitted('update:modelValue')).toEqual([['2 valley, 4 mountain']])
    await area.setValue('2 valley, '.repeat(3000))
    expect(shown.get('.wrong').text()).toMatch(/^At most \d+ characters\.$/)
  })
})

describe('findings', () => {
  it('have a word for how grave they are, and a button for what would be right', async () => {
    const fix = { parameter: 'leaf', value: lengthFrom('3 in') }
    const findings = [
      { severity: 'stop' as const, subject: 'Leaf', problem: 'is too wide.', parameter: 'leaf', fix },
      { severity: 'note' as const, subject: 'Slits', problem: 'start at a score.' },
    ]
    const shown = await mountSuspended(FindingList, { props: { findings } })
    expect(shown.findAll('li')).toHaveLength(1)
    await shown.get('.more').trigger('click')
    expect(shown.findAll('li').map(item => item.findAll('span, button').map(part => part.text()).slice(0, 3))).toEqual([
      ['Put right first', 'Leaf is too wide.', 'Set 3 in'],
      ['Good to know', 'Slits start at a score.'],
    ])
    await shown.get('li button').trigger('click')
    expect(shown.emitted('fix')).toEqual([[findings[0]]])
  })
})

describe('the note of what is cut', () => {
  it('starts from all sheets of a layout and follows the plan', async () => {
    const layout = { supply: 'a', repeats: 6, root: { kind: 'waste' as const, width: mark, height: mark } }
    const shown = await mountSuspended(CutNote, { props: { layout } })
    await shown.get('form').trigger('submit')
    await shown.setProps({ layout: { ...layout, repeats: 2 } })
    expect(shown.get('input').element.value).toBe('2')
    await shown.get('form').trigger('submit')
    expect(shown.emitted('cut')).toEqual([[6], [2]])
  })
})

describe('rows of sizes', () => {
  it('name what is wrong by the number of the row', async () => {
    const rows = [{ width: '8 in', height: '10 in' }, { width: '0 in', height: '10 in' }]
    const problems = [
      { path: 'stocks[1].width', problem: 'must be more than zero' }, { path: 'name', problem: 'is missing' },
    ]
    const shown = await mountSuspended(SizeRows, { props: { rows, path: 'stocks', noun: 'sheet', more: {}, problems } })
    expect(shown.get('.wrong').text()).toBe('Sheet 2: width must be more than zero.')
    await shown.get('[aria-label="Remove sheet 2"]').trigger('click')
    expect(shown.emitted('remove')).toEqual([[1]])
  })
})

describe('rows of fields from a table', () => {
  const shownWith = (values: Partial<ValuesOf<typeof WISHES>> = {}) => mountSuspended(FieldRows, {
    ...measuredIn('inch', mark), props: { table: WISHES, values: { ...naturalOf(WISHES, 'inch'), ...values } },
  })

  it('name every field, and show what it holds', async () => {
    const shown = await shownWith({ mostPiles: 3, leastStrip: '3/4 in', offcutsFirst: true })
    for (const { name } of Object.values(WISHES)) expect(shown.text()).toContain(name)
    const values = shown.findAll('input').map(input => (input.element as HTMLInputElement).value)
    expect([values.includes('3'), values.includes('3/4')]).toEqual([true, true])
    expect((shown.get('input[type=checkbox]').element as HTMLInputElement).checked).toBe(true)
  })

  it('say which field was changed, and to what; an empty field sets no limit', async () => {
    const shown = await shownWith({ mostPiles: 3 })
    const field = (name: string) => {
      const label = shown.findAll('label').find(label => label.text() === name)!
      return shown.get(`[id="${label.attributes('for')}"]`)
    }
    await field('Most piles of strips waiting').setValue('')
    await field('Most layouts of a paper').setValue('2')
    await field('Narrowest strip').setValue('1/2')
    expect(shown.emitted('change')).toEqual([
      ['mostPiles', { mostPiles: null }], ['mostLayouts', { mostLayouts: 2 }], ['leastStrip', { leastStrip: '1/2 in' }],
    ])
  })

  it('leave money and numbers as they are that cannot be empty', async () => {
    const shown = await mountSuspended(FieldRows, {
      props: { table: PRICES, values: naturalOf(PRICES, 'inch'), currency: 'EUR' },
    })
    expect(shown.text()).toContain('An hour of yours, EUR')
    await shown.get('input[inputmode=decimal]').setValue('')
    expect(shown.emitted('change')).toBeUndefined()
  })
})
