import { addDays } from 'date-fns/addDays'
import { format } from 'date-fns/format'
import { isValid } from 'date-fns/isValid'
import { parseISO } from 'date-fns/parseISO'

/** How a day is kept and sent. */
export const DAY_FORM = 'yyyy-MM-dd'

/**
 * The day that it is where the maker is, some days from now: `2026-03-01`. Late in the evening that is not the day of
 * Greenwich.
 */
export const localDay = (daysAhead = 0, now = new Date()): string => format(addDays(now, daysAhead), DAY_FORM)

/** A day in words: `Saturday 3 April 2027`. */
export const dayInWords = (day: string, words = 'EEEE d MMMM yyyy'): string => {
  const date = parseISO(day)
  return isValid(date) ? format(date, words) : day
}
