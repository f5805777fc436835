import type { H3Event } from 'h3'

/** Marks the answer as a file to save, named after a title in plain letters. */
export function download(event: H3Event, title: string, ending: string, type: string): void {
  const stem = title.normalize('NFKD').replace(/[^\w\s-]/g, '').trim().replace(/\s+/g, '-').toLowerCase().slice(0, 60) || 'class'
  setResponseHeaders(event, {
    'Content-Type': `${type}; charset=utf-8`,
    'Content-Disposition': `attachment; filename="${stem}.${ending}"`,
    'Cache-Control': 'no-store',
  })
}
