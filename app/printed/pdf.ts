import REGULAR from 'source-sans/TTF/SourceSans3-Regular.ttf?url'
import SEMIBOLD from 'source-sans/TTF/SourceSans3-Semibold.ttf?url'
import type { Printout } from '../../core/printed'
import type { Running } from './definition'
import { definitionOf } from './definition'

/** What sets PDFs, with the fonts it knows; fetched when a PDF is asked for. */
async function maker() {
  const { default: pdfMake } = await import('pdfmake/build/pdfmake')
  const [normal, bold] = [REGULAR, SEMIBOLD].map(path => new URL(path, location.origin).href)
  pdfMake.setUrlAccessPolicy((url: string) => [normal, bold].includes(url))
  pdfMake.addFonts({ Sans: { normal, bold, italics: normal, bolditalics: bold } })
  return pdfMake
}

/** Fetches what sets PDFs before it is asked for one. What fails here is told when a PDF is asked for. */
export const warmUp = (): Promise<void> => maker().then(() => undefined, () => undefined)

/**
 * A print as a PDF with its own typeface in it. It is set twice: only then is it known which section each page is in.
 */
export async function pdfOf(print: Printout): Promise<Blob> {
  const pdfMake = await maker()
  const begins: Running = new Map()
  // Of several sections on a page the first one names it; a page that none begins on goes on with the last one.
  const first = await pdfMake.createPdf(
    definitionOf(print, new Map(), (page, heading) => begins.has(page) || begins.set(page, heading)),
  )
  await first.getBuffer()
  const running: Running = new Map()
  let last = ''
  for (let page = 1; page <= Math.max(0, ...begins.keys()) + 40; page++) {
    running.set(page, begins.get(page) ?? last)
    last = running.get(page) ?? last
  }
  return await pdfMake.createPdf(definitionOf(print, running)).getBlob()
}
