import type { Content, TDocumentDefinitions, TableCell } from 'pdfmake/interfaces'
import type { Printout, PrintBlock } from '../../core/printed'

const MARGIN = 36
const GAP = 12
/** A line that goes on stands under the words, not under the box before them. */
const HANGING = 11
/** Points that are printed on, across. */
const WIDTH = { LETTER: 612 - 2 * MARGIN, A4: 595 - 2 * MARGIN }
const LINES = {
  hLineWidth: (at: number) => (at === 1 ? 0.8 : 0.3),
  vLineWidth: () => 0,
  hLineColor: () => '#888',
  paddingLeft: (at: number) => (at === 0 ? 0 : 5),
  paddingRight: () => 5,
  paddingTop: () => 1.5,
  paddingBottom: () => 1.5,
}

/** Which section runs on at the top of each page, as the setting of an earlier copy has found it. */
export type Running = Map<number, string>

/**
 * A print as a document for the PDF maker.
 * @param running what the head of each page says besides the class; without it nothing
 * @param found told where each section begins
 */
export function definitionOf(
  print: Printout,
  running: Running = new Map(),
  found: (page: number, heading: string) => void = () => {},
): TDocumentDefinitions {
  if (print.labels) return labelsOf(print, print.labels)
  const width = WIDTH[print.paper]
  return {
    pageSize: print.paper,
    pageMargins: [MARGIN, MARGIN + 18, MARGIN, MARGIN],
    info: { title: `${print.name}, ${print.of}`, creator: 'Wakaru' },
    defaultStyle: { font: 'Sans', fontSize: 10, lineHeight: 1.1 },
    header: (page, pages) => ({
      margin: [MARGIN, 22, MARGIN, 0],
      fontSize: 8.5,
      columns: [
        { width: '*', text: `${print.name} · ${print.of}` },
        { width: 'auto', text: running.get(page) ?? '', bold: true, alignment: 'center' },
        { width: 70, text: `${page} of ${pages}`, alignment: 'right' },
      ],
      columnGap: 8,
    }),
    content: print.sections.flatMap(({ heading, blocks, page }, index): Content[] => {
      // The heading stays with what it introduces, up to the first thing that is looked at.
      const first = blocks.findIndex(({ kind }) => kind !== 'text')
      const led = blocks.slice(0, first + 1).flatMap(block => contentOf(block, width))
      const isLong = blocks[first]?.kind === 'list' || blocks[first]?.kind === 'table'
      const head: Content = {
        text: heading,
        fontSize: 15,
        bold: true,
        margin: [0, index === 0 ? 0 : 12, 0, 4],
        headlineLevel: 1,
      }
      const own = page && index > 0 ? { pageBreak: 'before' as const } : {}
      return [
        ...(isLong
          ? [{ ...head, ...own }, ...led]
          : [{ unbreakable: true, stack: [head, ...led.slice(0, first + 1)], ...own }, ...led.slice(first + 1)]),
        ...blocks.slice(first + 1).flatMap(block => contentOf(block, width)),
      ]
    }),
    pageBreakBefore: (node, { getFollowingNodesOnPage }) => {
      if (!node.headlineLevel) return false
      // A heading is not left alone at the foot of a page.
      if (getFollowingNodesOnPage().length === 0) return true
      if (node.headlineLevel === 1 && typeof node.text === 'string') found(node.startPosition.pageNumber, node.text)
      return false
    },
  }
}

/** Sheets of labels: each text in its place, no head and no margin. */
function labelsOf(print: Printout, sheets: NonNullable<Printout['labels']>): TDocumentDefinitions {
  return {
    pageSize: print.paper,
    pageMargins: 0,
    info: { title: `${print.name}, ${print.of}`, creator: 'Wakaru' },
    defaultStyle: { font: 'Sans', fontSize: 9, lineHeight: 1.1 },
    content: sheets.flatMap((sheet, page): Content[] => sheet.map((label, at): Content => ({
      absolutePosition: { x: label.x + 8, y: label.y + 8 },
      // Set in a table of the label's width, so that long lines are broken within it.
      table: { widths: [label.width - 16], body: [[{ stack: label.lines.map((text, line) =>
        ({ text, bold: line === 0, fontSize: line === 0 ? 13 : 9 })) }]] },
      layout: 'noBorders',
      ...(page > 0 && at === 0 && { pageBreak: 'before' as const }),
    }))),
  }
}

type Block<Kind extends PrintBlock['kind']> = Extract<PrintBlock, { kind: Kind }>

function contentOf(block: PrintBlock, width: number): Content[] {
  switch (block.kind) {
    case 'text':
      return [{ text: block.text, bold: block.strong, margin: [0, 2, 0, 3] }]
    case 'heading':
      return [{ text: block.text, bold: true, fontSize: 11.5, margin: [0, 6, 0, 2], headlineLevel: 2 }]
    case 'list':
      return [listOf(block)]
    case 'table':
      return [tableOf(block)]
    case 'drawings':
      return inRows(
        block.drawings.map(({ title, svg, width: wide }) => ({
          wide,
          content: { width: wide, stack: [{ text: title, bold: true, fontSize: 9.5 }, { svg, width: wide }] },
        })),
        width,
      )
    case 'together':
      return [{ unbreakable: true, stack: block.blocks.flatMap(inner => contentOf(inner, width)) }]
    case 'side by side': {
      const half = (width - GAP) / 2
      return inRows(
        block.cells.map(cell => ({
          wide: half, content: { width: half, stack: cell.flatMap(inner => contentOf(inner, half)) },
        })),
        width,
      )
    }
    case 'scale':
      return [scaleOf(block)]
  }
}

function listOf({ mark, items }: Block<'list'>): Content {
  if (mark === 'number') return { ol: items, margin: [0, 2, 0, 4] }
  if (mark !== 'box') return { ul: items, margin: [0, 2, 0, 4] }
  const ticked = items.map((text): Content => ({
    text: `☐ ${text}`, leadingIndent: -HANGING, margin: [HANGING, 0, 0, 0],
  }))
  return { stack: ticked, margin: [0, 1, 0, 3] }
}

function tableOf({ head, rows, numbers }: Block<'table'>): Content {
  const cells = (row: string[], bold: boolean): TableCell[] =>
    row.map((text, at) => ({ text, bold, alignment: numbers?.includes(at) ? 'right' : 'left' }))
  // The longest column takes what the others leave.
  const longest = head.map((title, at) => Math.max(title.length, ...rows.map(row => row[at]?.length ?? 0)))
  const wide = longest.indexOf(Math.max(...longest))
  return {
    table: {
      headerRows: 1,
      keepWithHeaderRows: 2,
      dontBreakRows: true,
      widths: head.map((_, at) => (at === wide ? '*' : 'auto')),
      body: [cells(head, true), ...rows.map(row => cells(row, false))],
    },
    layout: LINES,
    fontSize: 9.5,
    margin: [0, 3, 0, 6],
    // A short table is one thing; a long one goes on.
    ...(rows.length <= 6 && { unbreakable: true }),
  }
}

/** A line of a known length, to hold a ruler against. */
function scaleOf({ points, text }: Block<'scale'>): Content {
  return {
    unbreakable: true,
    stack: [
      {
        canvas: [
          { type: 'line', x1: 0, y1: 5, x2: points, y2: 5, lineWidth: 0.8 },
          { type: 'line', x1: 0, y1: 0, x2: 0, y2: 10, lineWidth: 0.8 },
          { type: 'line', x1: points, y1: 0, x2: points, y2: 10, lineWidth: 0.8 },
        ],
        margin: [0, 8, 0, 2],
      },
      { text, fontSize: 8.5 },
    ],
  }
}

/** As many to a row as fit; no row is broken. */
function inRows(items: { wide: number, content: Content }[], width: number): Content[] {
  const rows: (typeof items)[] = []
  for (const item of items) {
    const row = rows.at(-1)
    const used = row?.reduce((sum, { wide }) => sum + wide + GAP, 0) ?? Infinity
    if (row && used + item.wide <= width + 1) row.push(item)
    else rows.push([item])
  }
  return rows.map(row => ({
    unbreakable: true, columns: row.map(({ content }) => content), columnGap: GAP, margin: [0, 4, 0, 4],
  }))
}
