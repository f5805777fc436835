import { mountSuspended } from '@nuxt/test-utils/runtime'
import { describe, expect, it } from 'vitest'
import { lengthFrom } from '../../core/lengths'
import { foldById } from '../../core/folds'
import TextListField from './class/TextListField.vue'
import FindingList from './class/FindingList.vue'
import CutNote from './cutting/CutNote.vue'
import LengthField from './LengthField.vue'
import LengthText from './LengthText.vue'
import SizeRows from './papers/SizeRows.vue'

const mark = lengthFrom('1/16 in')
const field = async (modelValue: string, more: object = {}) => {
  const shown = await mountSuspended(LengthField, { props: { modelValue, units: 'inch', label: 'Width', mark, ...more } })
  const input = shown.get('input')
  return { shown, input, taken: () => (shown.emitted('update:modelValue') ?? []).flat() }
}

describe('a field for a length', () => {
  it('shows a length as makers of either school write it', async () => {
    expect((await field('139.7 mm')).input.element.value).toBe('5 1/2')
    expect((await field('5 1/2 in', { units: 'metric' })).input.element.value).toBe('139.7')
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
    expect(shown.get('.wrong').text()).toBe('This must be more than zero.')
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

  it('shows a finding where nothing is wrong with what was typed', async () => {
    const { shown, input } = await field('4 in', { finding: 'is 4 in, but must be at most 3 in.', help: 'Folded' })
    expect(shown.get('.wrong').text()).toContain('at most 3 in')
    await input.setValue('x')
    expect(shown.get('.wrong').text()).not.toContain('at most')
  })
})

describe('a length in words', () => {
  it('is set with a true fraction and read out plainly', async () => {
    const shown = await mountSuspended(LengthText, { props: { length: lengthFrom('4 1/8 in'), units: 'inch', unit: true } })
    expect(shown.get('.unseen').text()).toBe('4 1/8 in')
    expect(shown.get('.fraction').text()).toBe('1/8')
    expect(shown.get('[aria-hidden]').text()).toContain('in')
  })
})

describe('a field for a list', () => {
  it('takes a list once it can be read', async () => {
    const parameter = foldById('own-strip')?.parameters.scores
    if (parameter?.kind !== 'text') throw new Error('The strip of one’s own has no list of scores.')
    const shown = await mountSuspended(TextListField, { props: { modelValue: '2 valley', parameter, units: 'inch' } })
    const area = shown.get('textarea')
    await area.setValue('2 valley, 4')
    expect(shown.emitted('update:modelValue')).toBeUndefined()
    expect(shown.get('.wrong').text()).toContain('“4” is not of the form')
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
    const shown = await mountSuspended(FindingList, { props: { findings, units: 'inch' } })
    expect(shown.findAll('li').map(item => item.findAll('span, button').map(part => part.text()).slice(0, 3))).toEqual([
      ['Settle first', 'Leaf is too wide.', 'Set 3 in'],
      ['Good to know', 'Slits start at a score.'],
    ])
    await shown.get('button').trigger('click')
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
    const problems = [{ path: 'stocks[1].width', problem: 'must be more than zero' }, { path: 'name', problem: 'is missing' }]
    const shown = await mountSuspended(SizeRows, { props: { rows, path: 'stocks', noun: 'sheet', more: {}, problems } })
    expect(shown.get('.wrong').text()).toBe('Sheet 2: width must be more than zero.')
    await shown.get('[aria-label="Remove sheet 2"]').trigger('click')
    expect(shown.emitted('remove')).toEqual([[1]])
  })
})
