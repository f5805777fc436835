/** The day that it is where the maker is, some days from now: `2026-03-01`. Late in the evening that is not the day of Greenwich. */
export function localDay(daysAhead = 0, now = new Date()): string {
  const day = new Date(now.getFullYear(), now.getMonth(), now.getDate() + daysAhead)
  return [day.getFullYear(), day.getMonth() + 1, day.getDate()].map(part => String(part).padStart(2, '0')).join('-')
}
