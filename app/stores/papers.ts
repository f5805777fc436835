import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { PaperEntry, PaperKind } from '../../core/document'
import { patchesBetween } from '../../core/document'
import { newToken } from './feed'

/** Papers that are read at once. */
const STRETCH = 60
/** Papers that are looked through at once, where all of them are asked for. */
const MOST = 600

/** Which papers of the shelf are looked at. */
export interface ShelfQuery {
  search: string
  kind: PaperKind | 'all'
}

interface ShelfAnswer {
  position: number
  total: number
  papers: PaperEntry[]
  /** What lies in the pads among them. */
  held?: HeldPaper[]
}
/** A paper that lies in a pad: what it is called and looks like. */
type HeldPaper = Pick<PaperEntry, 'key' | 'name' | 'colour' | 'motif' | 'scale'>

const ask = (query: ShelfQuery, offset: number, limit: number) =>
  $fetch<ShelfAnswer>('/api/papers', { query: { ...query, offset, limit } })

/** The papers on the studio's shelf, read stretch by stretch. */
function useShelfReading() {
  const papers = shallowRef<PaperEntry[]>([])
  const held = shallowRef<HeldPaper[]>([])
  const position = ref(0)
  const total = ref(0)
  let query: ShelfQuery = { search: '', kind: 'all' }
  let asked = 0

  /** Whether all papers of the shelf are here, so that a key that is free here is free. */
  const isWhole = () => query.search === '' && query.kind === 'all' && total.value <= papers.value.length
  const show = (now: PaperEntry[]) => void (papers.value = now)

  async function read(offset: number, limit: number) {
    const order = ++asked
    const shelf = await ask(query, offset, limit)
    if (order !== asked) return
    position.value = shelf.position
    total.value = shelf.total
    papers.value = [...papers.value.slice(0, offset), ...shelf.papers]
    held.value = [...offset > 0 ? held.value : [], ...shelf.held ?? []]
  }
  /** Reads the shelf anew from its beginning. */
  const load = (wanted: ShelfQuery = query) => {
    query = wanted
    return read(0, Math.min(100, Math.max(STRETCH, papers.value.length)))
  }
  const more = () => read(papers.value.length, STRETCH)
  /** The whole shelf, or as much of it as is looked through at once. */
  async function loadAll() {
    await load({ search: '', kind: 'all' })
    while (!isWhole() && papers.value.length < MOST) await more()
  }
  return { papers, held, position, total, isWhole, show, load, more, loadAll }
}

/** The shelf as it is looked at. A class on screen shows its own state of its papers here. */
export const usePapersStore = defineStore('papers', () => {
  const { position, ...reading } = useShelfReading()
  const { papers } = reading

  /** Papers by a part of their name, without showing them here. */
  const find = (search: string) => ask({ search, kind: 'all' }, 0, 20).then(({ papers }) => papers)

  /**
   * Sends what is to become of some papers.
   * @param since the position at which they were as before
   */
  async function send(label: string, since: number, now: PaperEntry[], before = papers.value) {
    const patches = patchesBetween({ papers: before }, { papers: now })
    if (patches.length === 0) return
    await $fetch('/api/edits', { method: 'POST', body: { token: newToken(), label, class: null, since, patches } })
  }

  /** Saves the shelf as it is to be; a refusal of the server is thrown. */
  async function save(label: string, now: PaperEntry[]) {
    await send(label, position.value, now)
    await reading.load()
  }

  /** Puts a new paper on the shelf without reading the shelf anew; who shows it does that, or fetches the one paper. */
  async function add(paper: PaperEntry) {
    const { position: since } = await ask({ search: '', kind: 'all' }, 0, 1)
    await send(`add ${paper.key}`, since, [...papers.value, paper])
  }
  const change = (paper: PaperEntry) =>
    save(`change ${paper.key}`, papers.value.map(other => (other.key === paper.key ? paper : other)))
  const remove = (key: string) => save(`remove ${key}`, papers.value.filter(paper => paper.key !== key))

  return { ...reading, find, send, add, change, remove }
})
