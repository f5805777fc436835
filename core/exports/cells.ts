/** What a spreadsheet reads as a formula, also behind blanks and quotes. */
const FORMULA = /^[\s"']*[=+\-@|\t\r]/

/**
 * What a spreadsheet of some locale may read as a date, a time or a fraction: numbers parted by anything that is no
 * letter, a number with a word behind it, or a word with a number, whatever its months are called.
 */
const DATE
  = /^\s*(\d{1,4}(\s*[./:,\-–年月]\s*|\s+)\d|\d{1,4}[.\s-]+\p{L}|\p{L}+[.,]?([\s-]*\d{1,4}\s*$|[\s-]+\d{1,4}\b))/u

/**
 * What somebody typed as a cell that stays the text it is, in whatever spreadsheet it is opened: an apostrophe before
 * it says so.
 */
export const harmless = (text: string): string => (FORMULA.test(text) || DATE.test(text) ? `'${text}` : text)

/**
 * Rows as CSV: lengths are texts with their unit, which no locale reads otherwise; what people typed has gone through
 * `harmless`; formulas are kept from running everywhere.
 */
export async function csvOf(rows: Record<string, string | number>[]): Promise<string> {
  const { default: Papa } = await import('papaparse')
  return `${Papa.unparse(rows, { escapeFormulae: true, newline: '\n' })}\n`
}
