/** Drawings for print as SVG text. Everything in points; y counts downwards. */

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' }
export const escaped = (text: string): string => text.replace(/[&<>"]/g, sign => ESCAPES[sign] ?? sign)
const n = (value: number) => Number(value.toFixed(2))

export const line = (x1: number, y1: number, x2: number, y2: number, width = 0.6, more = ''): string =>
  `<path d="M${n(x1)} ${n(y1)}L${n(x2)} ${n(y2)}" stroke="#000" stroke-width="${width}" fill="none"${more}/>`
export const rectangle = (x: number, y: number, width: number, height: number, stroke = 0.6): string =>
  `<rect x="${n(x)}" y="${n(y)}" width="${n(width)}" height="${n(height)}" stroke="#000" stroke-width="${stroke}" fill="none"/>`
export function outline(rings: (readonly [number, number])[][], stroke = 0.9): string {
  const path = rings.map(ring => `M${ring.map(([x, y]) => `${n(x)} ${n(y)}`).join('L')}Z`).join('')
  return `<path d="${path}" stroke="#000" stroke-width="${stroke}" fill="none"/>`
}

interface TextOptions {
  size?: number
  bold?: boolean
  anchor?: 'start' | 'middle' | 'end'
  /** Stands, read from the right. */
  upright?: boolean
}
/** A text with its baseline at this place. */
export function text(x: number, y: number, words: string, options: TextOptions = {}): string {
  const { size = 8, bold = false, anchor = 'middle', upright = false } = options
  const turn = upright ? ` transform="rotate(-90 ${n(x)} ${n(y)})"` : ''
  return (
    `<text x="${n(x)}" y="${n(y)}" font-family="Sans" font-size="${n(size)}" font-weight="${bold ? 'bold' : 'normal'}" `
    + `text-anchor="${anchor}" fill="#000"${turn}>${escaped(words)}</text>`
  )
}

/** Slanting lines over a box, light enough to write on. */
export function hatching(x: number, y: number, width: number, height: number, apart = 6, stroke = '#999'): string {
  const lines: string[] = []
  for (let at = apart; at < width + height; at += apart) {
    const [x1, y1] = at < height ? [x, y + at] : [x + at - height, y + height]
    const [x2, y2] = at < width ? [x + at, y] : [x + width, y + at - width]
    lines.push(`M${n(x1)} ${n(y1)}L${n(x2)} ${n(y2)}`)
  }
  return `<path d="${lines.join('')}" stroke="${stroke}" stroke-width="0.35" fill="none"/>`
}

export const drawing = (title: string, width: number, height: number, content: string[]) => ({
  title,
  width: Math.ceil(width),
  height: Math.ceil(height),
  svg: `<svg xmlns="http://www.w3.org/2000/svg" width="${Math.ceil(width)}pt" height="${Math.ceil(height)}pt" `
    + `viewBox="0 0 ${Math.ceil(width)} ${Math.ceil(height)}">${content.join('')}</svg>`,
})
