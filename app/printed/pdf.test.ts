import { resolve } from 'node:path'
import pdfMake from 'pdfmake'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Printout } from '../../core/printed'
import { definitionOf } from './definition'
import { SCALE_BAR } from './scale'

const FONTS = resolve('node_modules/source-sans/TTF')
beforeAll(() => {
  const [normal, bold] = [`${FONTS}/SourceSans3-Regular.ttf`, `${FONTS}/SourceSans3-Semibold.ttf`]
  pdfMake.addFonts({ Sans: { normal, bold, italics: normal, bolditalics: bold } })
})

const svg
  = '<svg xmlns="http://www.w3.org/2000/svg" width="200pt" height="90pt" viewBox="0 0 200 90"><rect width="190" height="80" '
    + 'fill="none" stroke="#000"/><text x="95" y="45" font-family="Sans" font-size="9" text-anchor="middle">A 4\u20091\u20444</text></svg>'
const print = (rows: number, paper: Printout['paper'] = 'LETTER'): Printout => ({
  name: 'Cutting sheets',
  of: 'Evening, 1 May 2030',
  paper,
  sections: ['Kelp', 'Chalk'].map(heading => ({
    heading,
    blocks: [
      { kind: 'text', text: 'Set 5\u20093\u20448.' },
      { kind: 'drawings', drawings: [{ title: 'Layout', svg, width: 200, height: 90 }] },
      {
        kind: 'table',
        name: 'Cuts',
        head: ['Cut', 'What'],
        rows: Array.from({ length: rows }, (_, at) => [String(at + 1), `cut ${at + 1}`]),
      },
      {
        kind: 'side by side',
        cells: [[{ kind: 'list', mark: 'box', items: ['Base'] }], [{ kind: 'list', mark: 'number', items: ['Fold'] }]],
      },
      SCALE_BAR.inch,
    ],
  })),
})

async function setOf(made: Printout, running = new Map<number, string>()) {
  const found: [number, string][] = []
  const bytes = await pdfMake
    .createPdf(definitionOf(made, running, (page, heading) => found.push([page, heading])))
    .getBuffer()
  const document = await getDocument({ data: new Uint8Array(bytes) }).promise
  const pages = await Promise.all(
    Array.from({ length: document.numPages }, async (_, at) => {
      const page = await document.getPage(at + 1)
      const { items } = await page.getTextContent()
      return { view: page.view, text: items.map(item => ('str' in item ? item.str : '')).join(' ') }
    }),
  )
  return { found, pages, bytes }
}

describe('a print as PDF', () => {
  it('has its text to be found, fractions included, and no other typeface than ours', async () => {
    const { pages: [page], bytes } = await setOf(print(3))
    expect(page!.text).toContain('3\u20448')
    expect(page!.text).toContain('1\u20444')
    expect(page!.text).toContain('Cutting sheets · Evening, 1 May 2030')
    const fonts = [...bytes.toString('latin1').matchAll(/\/BaseFont \/([^\s/]+)/g)].map(([, name]) => name)
    expect(fonts.length).toBeGreaterThan(0)
    expect(fonts.every(name => name!.includes('SourceSans3'))).toBe(true)
  })

  it('numbers its pages, says which section each is in, and repeats the head of a table', async () => {
    const { found, pages } = await setOf(print(70), new Map([[1, 'Kelp'], [2, 'Kelp'], [3, 'Chalk']]))
    expect(pages.length).toBeGreaterThan(2)
    pages.forEach(({ text }, at) => expect(text).toContain(`${at + 1} of ${pages.length}`))
    expect(pages[1]!.text).toContain('Kelp')
    expect(pages[1]!.text).toContain('Cut What'.split(' ')[0]!)
    expect(new Set(found.map(([, heading]) => heading))).toEqual(new Set(['Kelp', 'Chalk']))
  })

  it('is as large as the paper it is for', async () => {
    const size = async (paper: Printout['paper']) =>
      (await setOf(print(1, paper))).pages[0]!.view.slice(2).map(Math.round)
    expect([await size('LETTER'), await size('A4')]).toEqual([[612, 792], [595, 842]])
  })
})
