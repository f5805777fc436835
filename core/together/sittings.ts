import { itemAt, sumOf } from '../lists'
import type { Together } from './order'
import type { PaperCut } from './papers'
import { stacksOf } from './stacks'

/**
 * Papers parted among sittings, so that each sitting takes about as long and every paper is cut whole in one of them.
 * Papers that lie in stacks together stay together where that leaves no sitting much longer than the others.
 * @param sittings how many at most; there are no more than papers
 */
export function inSittings(papers: readonly PaperCut[], together: Together, sittings: number): PaperCut[][] {
  if (papers.length === 0) return []
  const number = Math.min(sittings, papers.length)
  const share = minutesOf(papers) / number
  const groups = stackedTogether(papers, together)
    .flatMap(group => (minutesOf(group) > MOST * share ? group.map(paper => [paper]) : [group]))
    .sort((a, b) => minutesOf(b) - minutesOf(a))
  const parts = Array.from({ length: number }, (): PaperCut[] => [])
  // The longest first, each to whoever has least to do so far.
  for (const group of groups)
    parts.reduce((least, part) => (minutesOf(part) < minutesOf(least) ? part : least)).push(...group)
  const place = (part: PaperCut[]) => Math.min(...part.map(paper => papers.indexOf(paper)))
  return parts
    .filter(part => part.length > 0)
    .map(part => part.sort((a, b) => papers.indexOf(a) - papers.indexOf(b)))
    .sort((a, b) => place(a) - place(b))
}

/** How much longer than an even share papers may take that stay together. */
const MOST = 1.2

const minutesOf = (papers: readonly PaperCut[]): number => sumOf(papers.map(({ minutes }) => minutes))

/** Papers of which each lies in a stack with another one of its group. */
function stackedTogether(papers: readonly PaperCut[], { apart }: Together): PaperCut[][] {
  const groupOf = new Map(papers.map(paper => [paper, [paper]]))
  for (const { members } of stacksOf(papers, apart)) {
    const groups = new Set(members.map(({ of }) => groupOf.get(of) ?? [of]))
    const joined = [...groups].flat()
    if (groups.size > 1) for (const paper of joined) groupOf.set(paper, joined)
  }
  return [...new Set(papers.map(paper => itemAt([groupOf.get(paper) ?? [paper]], 0)))]
}
