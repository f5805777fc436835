import { describe, expect, it } from 'vitest'
import { dayInWords } from './days'
import { readDay } from './read-day'
import { readNumber } from './reading'

describe('a day as people write it', () => {
  const today = '2027-01-15'
  it.each([
    ['2027-04-03', 'inch', '2027-04-03'],
    ['4/3/27', 'inch', '2027-04-03'],
    ['4/3/27', 'metric', '2027-03-04'],
    ['4/3/2027', 'inch', '2027-04-03'],
    ['13/4/27', 'inch', '2027-04-13'],
    ['4/13/27', 'metric', '2027-04-13'],
    ['3 April 2027', 'inch', '2027-04-03'],
    ['3 apr 27', 'metric', '2027-04-03'],
    ['April 3, 2027', 'inch', '2027-04-03'],
    ['Apr. 3rd 2027', 'inch', '2027-04-03'],
    ['Saturday 3 April 2027', 'metric', '2027-04-03'],
    ['Sat, 3 Apr 2027', 'inch', '2027-04-03'],
    ['03.04.2027', 'inch', '2027-04-03'],
    ['3.4.27', 'metric', '2027-04-03'],
    ['3-Apr-2027', 'inch', '2027-04-03'],
    ['2027/4/3', 'inch', '2027-04-03'],
    ['3 April', 'inch', '2027-04-03'],
    ['3 January', 'inch', '2028-01-03'],
    ['29 Feb 2028', 'metric', '2028-02-29'],
  ] as const)('%s with %s measures', (text, units, day) => {
    expect(readDay(text, units, today)).toEqual({ ok: true, value: day })
  })

  it.each([
    ['', 'Type the day'],
    ['soon', 'Write the day like 3 April 2027'],
    ['31.02.2027', 'Write the day like'],
    ['2027', 'Write the day like'],
    ['3 April 1027', 'between 2000 and 2100'],
    ['4/3/2027 or later', 'Write the day like'],
  ])('refuses %j and says what is taken', (text, reason) => {
    expect(readDay(text, 'inch', today)).toMatchObject({ ok: false, reason: expect.stringContaining(reason) })
  })

  it('takes every form that its own message asks for, and is shown back in words', () => {
    for (const units of ['inch', 'metric'] as const) {
      const wrong = readDay('soon', units, today)
      const forms = wrong.ok ? [] : wrong.reason.replace('Write the day like ', '').replace(/\.$/, '').split(/, | or /)
      expect(forms.map(form => readDay(form, units, today))).toEqual(Array(3).fill({ ok: true, value: '2027-04-03' }))
    }
    expect(dayInWords('2027-04-03')).toBe('Saturday 3 April 2027')
  })
})

describe('a number as people write it', () => {
  it.each([
    ['16', {}, 16],
    ['2,016', {}, 2016],
    ['12 500', {}, 12_500],
    ['0.95', { decimals: 2 }, 0.95],
    ['.95', { decimals: 2 }, 0.95],
    ['0,95', { decimals: 2 }, 0.95],
    ['1,250.50', { decimals: 2 }, 1250.5],
    ['1.250,50', { decimals: 2 }, 1250.5],
    ['−3', { min: -5 }, -3],
    ['2.0', {}, 2],
  ])('%s', (text, bounds, value) => {
    expect(readNumber(text, bounds)).toEqual({ ok: true, value })
  })

  it.each([
    ['', {}, 'Type a number.'],
    ['-3', { min: 0, max: 10 }, 'At least 0.'],
    ['999', { max: 8 }, 'At most 8.'],
    ['1.5', {}, 'Whole numbers only.'],
    ['0.955', { decimals: 2 }, 'At most 2 digits after the point.'],
    ['twelve', {}, '“twelve” is not a number.'],
    ['1e3', {}, '“1e3” is not a number.'],
    ['.', {}, '“.” is not a number.'],
  ])('refuses %j', (text, bounds, reason) => {
    expect(readNumber(text, bounds)).toEqual({ ok: false, reason })
  })
})
