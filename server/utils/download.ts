import type { H3Event } from 'h3'
import type { Made } from '../workers/checks'
import { refusal } from './door'

/** Answers with a file that was made of a class, or says why there is none. */
export function made(event: H3Event, file: Made, ending: string, type: string): string {
  if ('status' in file) throw refusal(file.status, file.message)
  download(event, file.title, ending, type)
  return file.text
}

/** Marks the answer as a file to save, named after a title in plain letters. */
export function download(event: H3Event, title: string, ending: string, type: string): void {
  const stem
    = title
      .normalize('NFKD')
      .replace(/[^\w\s-]/g, '')
      .trim()
      .replace(/\s+/g, '-')
      .toLowerCase()
      .slice(0, 60) || 'class'
  setResponseHeaders(event, {
    'Content-Type': `${type}; charset=utf-8`,
    'Content-Disposition': `attachment; filename="${stem}.${ending}"`,
    'Cache-Control': 'no-store',
  })
}
