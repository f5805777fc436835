import { addYears } from 'date-fns/addYears'
import { format } from 'date-fns/format'
import { isValid } from 'date-fns/isValid'
import { parse } from 'date-fns/parse'
import type { Units } from '../../core/lengths'
import { DAY_FORM } from './days'
import type { Reading } from './reading'

const WORDS = ['d MMMM', 'd MMM', 'MMMM d', 'MMM d']
  .flatMap(words => [`${words} yyyy`, `${words} yy`])
  .concat('d-MMM-yyyy', 'd-MMM-yy')
const DAY_FIRST = ['d.M.yyyy', 'd.M.yy', 'd-M-yyyy', 'd-M-yy']
const SLASHES: Record<Units, string[]> = {
  inch: ['M/d/yyyy', 'M/d/yy', 'd/M/yyyy', 'd/M/yy'],
  metric: ['d/M/yyyy', 'd/M/yy', 'M/d/yyyy', 'M/d/yy'],
}
/** Forms without a year mean the next such day. */
const YEARLESS = ['d MMMM', 'd MMM', 'MMMM d', 'MMM d', 'd.M.']
const EARLIEST = 2000
const LATEST = 2100

/**
 * Reads a day as people write it: `2027-04-03`, `3 April 2027`, `Apr 3, 2027`, `03.04.2027`, `4/3/27`, `3 April`.
 * @param units whose school it is: with slashes inch makers write the month first, where that can be
 * @param today the day it is, `2026-03-01`
 */
export function readDay(text: string, units: Units, today: string): Reading<string> {
  const written = text
    .trim()
    .replace(/^(mon|tue|tues|wed|wednes|thu|thur|thurs|fri|sat|satur|sun)(day)?[.,]?\s+/i, '')
    .replace(/\b(\d{1,2})(st|nd|rd|th)\b/i, '$1')
    .replace(/\bsept\b/i, 'sep')
    .replace(/(\d)(\s+)of\s+/i, '$1 ')
    .replace(/,\s*|\s+/g, ' ')
    .replace(/([a-z])\.(?=\s)/gi, '$1')
    .trim()
  const wrong = { ok: false, reason: 'Write the day like 3 April 2027, 2027-04-03 or ' } as const
  if (written === '') return { ok: false, reason: 'Type the day of the class, such as 3 April 2027.' }
  const now = parse(today, DAY_FORM, new Date(0))
  for (const form of [DAY_FORM, 'yyyy-M-d', 'yyyy/M/d', 'yyyy.M.d', ...WORDS, ...DAY_FIRST, ...SLASHES[units]]) {
    // A year of two figures is not a year of the first century.
    if (form.includes('yyyy') && !/\d{4}/.test(written)) continue
    const day = parse(written, form, now)
    if (!isValid(day)) continue
    const year = day.getFullYear()
    return year >= EARLIEST && year < LATEST
      ? { ok: true, value: format(day, DAY_FORM) }
      : { ok: false, reason: `A class is held between ${EARLIEST} and ${LATEST}.` }
  }
  for (const form of YEARLESS) {
    const day = parse(written, form, now)
    if (isValid(day)) return { ok: true, value: format(day < now ? addYears(day, 1) : day, DAY_FORM) }
  }
  return { ...wrong, reason: wrong.reason + (units === 'inch' ? '4/3/2027.' : '3/4/2027.') }
}
