import type { Drawing, PrintBlock, PrintSection } from './model'
import { escaped } from './svg'

/**
 * Prints as one HTML text that needs nothing beside it. Every text is escaped; drawings come from figures and escaped
 * texts alone.
 */

const figure = ({ title, svg, width }: Drawing): string =>
  `<figure style="width:${width}pt"><figcaption>${escaped(title)}</figcaption>${svg}</figure>`

function blockHtml(block: PrintBlock): string {
  switch (block.kind) {
    case 'text': return `<p${block.strong ? ' class="strong"' : ''}>${escaped(block.text)}</p>`
    case 'heading': return `<h3>${escaped(block.text)}</h3>`
    case 'list': {
      const tag = block.mark === 'number' ? 'ol' : 'ul'
      return `<${tag} class="${block.mark}">${block.items.map(item => `<li>${escaped(item)}</li>`).join('')}</${tag}>`
    }
    case 'table': {
      const row = (cells: string[], tag: string) =>
        `<tr>${cells.map(cell => `<${tag}>${escaped(cell)}</${tag}>`).join('')}</tr>`
      return `<table aria-label="${escaped(block.name)}"><thead>${row(block.head, 'th')}</thead>`
        + `<tbody>${block.rows.map(cells => row(cells, 'td')).join('')}</tbody></table>`
    }
    case 'drawings': return `<div class="drawings">${block.drawings.map(figure).join('')}</div>`
    case 'together': return `<div class="together">${block.blocks.map(blockHtml).join('')}</div>`
    case 'side by side': return `<div class="cells">${block.cells.map(cell =>
      `<div class="together">${cell.map(blockHtml).join('')}</div>`).join('')}</div>`
    case 'scale': return `<p>${escaped(block.text)}</p>`
  }
}

/** Sections as HTML, without the page round them. */
export const sectionsHtml = (sections: PrintSection[]): string =>
  sections
    .map(({ heading, blocks }) => `<section><h2>${escaped(heading)}</h2>${blocks.map(blockHtml).join('')}</section>`)
    .join('')

const STYLE = `
:root { color-scheme: light; }
body { font: 1rem/1.45 system-ui, sans-serif; font-variant-numeric: tabular-nums; color: #26211c;
  background: #fffdf8; margin: 0 auto; padding: 1rem; max-width: 48rem; }
h1 { font-size: 1.5rem; margin: 0; }
h2 { font-size: 1.25rem; margin: 1.5rem 0 .5rem;
  border-bottom: 1px dashed #8a8178; }
h3 { margin: 1rem 0 .25rem; } p { margin: .35rem 0; } .strong { font-weight: 600; } .quiet { color: #5d554c; }
ul.box { list-style: none; padding: 0; }
ul.box li { padding-left: 1.3em; text-indent: -1.3em; }
ul.box li::before { content: "☐ "; }
.cells { display: grid; grid-template-columns: 1fr 1fr; gap: 1rem 1.25rem; align-items: start; }
.drawings { display: flex; flex-wrap: wrap; gap: .5rem .75rem; }
figure { margin: 0; max-width: 100%; }
figure svg { max-width: 100%; height: auto; background: #fff; }
figcaption { font-weight: 600; }
.together, figure { break-inside: avoid; }
table { border-collapse: collapse; }
th, td { text-align: left; padding: .15rem .75rem .15rem 0;
border-bottom: 1px solid #d8d0c4; }
fieldset { border: 1px solid #d8d0c4; border-radius: 3px; margin: .75rem 0; }
.choice label { display: flex; gap: .5rem; align-items: center; min-height: 44px; }
.choice .said { display: none; font-weight: 600; } .choice label:has(:checked) + .said { display: block; }
.swatch { width: 1.5rem; height: 1rem; border: 1px solid #26211c; }
.cautions { border-top: 1px dashed #8a8178; margin-top: 1.5rem; padding-top: .5rem; font-size: .9rem; }
@media (max-width: 600px) { .cells { grid-template-columns: 1fr; } }
@media print { body { max-width: none; padding: 0; font-size: 10pt; } }
`

/** One page that needs nothing beside it: no scripts, no files, no network. */
export const pageHtml = (title: string, body: string): string =>
  '<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">'
  + `<meta name="robots" content="noindex"><title>${escaped(title)}</title><style>${STYLE}</style></head><body>${body}</body></html>\n`
