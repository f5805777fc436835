import type { Length, Units } from '../lengths'
import { parseLength } from '../lengths'
import type { SaidLine } from './model'

const SIZE = /(?:^|, )≈?([^,×]+) × ≈?([^,×]+?)\u00a0(in|mm)(?=,|$)/

/** Reads a line of a list; nothing where it does not begin with a number of something. */
export type LineReader = (text: string) => SaidLine | undefined

/**
 * Reads lines of printed lists as whoever packs reads them: `2 × Mat on A, 5⁄4 × 4 in, Kelp, cut and scored`.
 * @param papers names of all papers
 */
export function lineReader(papers: readonly string[], units: Units): LineReader {
  // Paper names may hold commas: the longest that stands there is meant.
  const names = [...papers].sort((a, b) => b.length - a.length)
  const read = new Map<string, SaidLine | undefined>()
  return (text) => {
    if (!read.has(text)) read.set(text, lineRead(text, names, units))
    return read.get(text)
  }
}

function lineRead(text: string, papers: readonly string[], units: Units): SaidLine | undefined {
  const [, count, rest = ''] = /^(\d+) × (.*)$/s.exec(text) ?? []
  if (count === undefined) return undefined
  const found = SIZE.exec(rest)
  const name = found ? rest.slice(0, found.index) : rest
  const after = found ? rest.slice(found.index + found[0].length).replace(/^, /, '') : ''
  const paper = papers.find(one => `, ${after}, `.includes(`, ${one}, `)) ?? ''
  return { name, count: Number(count), paper, state: after, ...(found && { size: sizeOf(found, units) }) }
}

function sizeOf([, one = '', other = '', unit = '']: RegExpExecArray, units: Units): [Length, Length] | undefined {
  const read = [one, other].map(text =>
    parseLength(`${text.replace(/\u2009/g, ' ').replace(/\u2044/g, '/')} ${unit}`, units),
  )
  const [a, b] = read.flatMap(parsed => (parsed.ok ? [parsed.length] : []))
  return a === undefined || b === undefined ? undefined : a < b ? [a, b] : [b, a]
}
