import { registerEndpoint } from '@nuxt/test-utils/runtime'
import { createError, getQuery, readBody } from 'h3'
import type { Batch, PaperEntry, Patch } from '../../core/document'
import { applied, patchesBetween } from '../../core/document'
import { readBatch } from '../../core/formats'
import tide from '../../demo/tide-and-lantern.json'
import type { Units } from '../../core/lengths'
import { MILLIMETRE } from '../../core/lengths'
import { MEASURES } from '../composables/useMeasures'
import { useClassStore } from '../stores/class'

/** For a mounted part: what lengths are in. */
export const measuredIn = (units: Units, mark = MILLIMETRE) => ({
  global: { provide: { [MEASURES as symbol]: { units: computed(() => units), mark: computed(() => mark) } } },
})

/**
 * A studio made up for mounted parts: one class behind the routes that the stores ask, with the changes it was sent.
 */
export class MadeUpStudio {
  position = 1
  document: Batch
  sent: { label: string, class: number | null, patches: { op: string, path: string[] }[] }[] = []
  /** What has led to each position after the first. */
  private readonly log: Patch[][] = []
  /** Papers of the shelf that the class is not handed by itself. */
  elsewhere: PaperEntry[] = []
  /** What the next change is answered with instead. */
  refusal?: { statusCode: number, statusMessage?: string, data?: unknown }

  constructor(change: (document: Batch) => void = () => {}) {
    const read = readBatch(JSON.stringify(tide))
    if (!read.ok) throw new Error('The demo class cannot be opened.')
    this.document = structuredClone(read.value)
    change(this.document)
    registerEndpoint('/api/classes/1', (event) => {
      const wanted = String(getQuery(event).with ?? '').split(',')
      const brought = this.elsewhere.filter(({ key }) => wanted.includes(key))
      const papers = [...this.document.papers, ...brought]
      return {
        id: 1, position: this.position, more: this.elsewhere.length - brought.length,
        document: { ...this.document, papers },
      }
    })
    registerEndpoint('/api/classes/1/changes', (event) => {
      const since = Number(getQuery(event).since)
      return { position: this.position, patches: this.log.slice(since - 1).flat() }
    })
    registerEndpoint('/api/papers', (event) => {
      const search = String(getQuery(event).search ?? '').toLowerCase()
      const papers = [...this.document.papers, ...this.elsewhere].filter(({ name }) =>
        name.toLowerCase().includes(search),
      )
      return { position: this.position, total: papers.length, papers }
    })
    registerEndpoint('/api/edits', {
      method: 'POST',
      handler: async (event) => {
        const body = await readBody(event)
        const { refusal } = this
        this.refusal = undefined
        if (refusal) throw createError(refusal)
        this.sent.push(body)
        this.document = applied(this.document, body.patches)
        this.position += 1
        this.log.push(body.patches)
        return { position: this.position }
      },
    })
  }

  /** Another window saves. */
  change(edit: (document: Batch) => void): void {
    const before = this.document
    this.document = structuredClone(before)
    edit(this.document)
    this.position += 1
    this.log.push(patchesBetween(before, this.document))
  }
}

/** Opens the class of a made-up studio in the store, as its page does. */
export async function openedClass(change?: (document: Batch) => void) {
  const studio = new MadeUpStudio(change)
  localStorage.clear()
  const work = useClassStore()
  await work.open(1)
  return { studio, work }
}
