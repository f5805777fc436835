import type { CalendarEvent } from '../kits'

const partsOf = (date: string, time = '00:00') =>
  [...date.split('-'), ...time.split(':')].map(Number) as [number, number, number, number, number]

/** A line end would begin another property of the file. */
const oneLine = (text: string) => text.replace(/\s*[\r\n\u2028\u2029]+\s*/g, ' ')

/**
 * Events as an iCalendar file, in local time wherever it is opened.
 * @param name tells events of one class from those of others
 * @throws Error where an event cannot be written, such as one on a day that does not exist
 */
export async function calendarIcs(events: CalendarEvent[], name: string): Promise<string> {
  const { createEvents } = await import('ics')
  const { error, value } = createEvents(events.map(({ key, title, date, start, minutes, place, notes }) => ({
    uid: `${name}-${key}@wakaru`,
    title: oneLine(title),
    start: partsOf(date, start),
    startInputType: 'local' as const,
    startOutputType: 'local' as const,
    duration: { hours: Math.floor(minutes / 60), minutes: minutes % 60 },
    ...(place && { location: oneLine(place) }),
    ...(notes && { description: notes.replace(/\r\n?/g, '\n') }),
    productId: 'wakaru',
    // The same file whenever it is written.
    timestamp: Date.parse(`${date}T00:00:00Z`),
  })))
  if (error || !value) throw error ?? new Error('The calendar could not be written.')
  return value
}
