import type { PlacedLabel } from './labels'

/**
 * A print as plain data: what stands in it, not how it is set. The page on screen and the PDF are made from the same
 * one. Texts are set already: true fractions, `\u2009` between a whole and its fraction.
 */
export interface Printout {
  /** What kind of print it is: `Cutting sheets`. */
  name: string
  /** Whose it is, for the running head: title and day of the class. */
  of: string
  paper: 'LETTER' | 'A4'
  sections: PrintSection[]
  /** Sheets of labels instead of sections: they fill their pages, without a margin. */
  labels?: PlacedLabel[][]
}

/** A part that says its heading again where it runs on to another page. */
export interface PrintSection {
  heading: string
  /** Begins a page of its own: it is handed to somebody. */
  page?: boolean
  blocks: PrintBlock[]
}

export type PrintBlock
  = | { kind: 'text', text: string, strong?: boolean }
    | { kind: 'heading', text: string }
    | { kind: 'list', items: string[], mark: 'number' | 'box' | 'dot' }
    | { kind: 'table', name: string, head: string[], rows: string[][], numbers?: number[] }
    | { kind: 'drawings', drawings: Drawing[] }
    /** Stays on one page. */
    | { kind: 'together', blocks: PrintBlock[] }
    /** Several to a row; each stays on one page. */
    | { kind: 'side by side', cells: PrintBlock[][] }
    /** A line that is so long when nothing was made smaller. */
    | { kind: 'scale', text: string, points: number }

/** A drawing in outlines. */
export interface Drawing {
  title: string
  /** One SVG element whose units are points. */
  svg: string
  /** Points. */
  width: number
  height: number
}
