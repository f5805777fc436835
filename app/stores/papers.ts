import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { PaperEntry } from '../../core/document'
import { patchesBetween } from '../../core/document'
import { newToken } from './feed'

/** The papers on the studio's shelf. A class on screen shows its own state of them here. */
export const usePapersStore = defineStore('papers', () => {
  const papers = shallowRef<PaperEntry[]>([])
  const position = ref(0)

  const show = (now: PaperEntry[]) => void (papers.value = now)

  async function load() {
    const shelf = await useRequestFetch()<{ position: number, papers: PaperEntry[] }>('/api/papers')
    position.value = shelf.position
    papers.value = shelf.papers
  }

  /** Saves the shelf as it is to be; a refusal of the server is thrown. */
  async function save(label: string, now: PaperEntry[]) {
    const patches = patchesBetween({ papers: papers.value }, { papers: now })
    if (patches.length > 0)
      await $fetch('/api/edits', { method: 'POST', body: { token: newToken(), label, class: null, since: position.value, patches } })
    await load()
  }

  const add = (paper: PaperEntry) => save(`add ${paper.key}`, [...papers.value, paper])
  const change = (paper: PaperEntry) =>
    save(
      `change ${paper.key}`,
      papers.value.map(other => (other.key === paper.key ? paper : other)),
    )
  const remove = (key: string) =>
    save(
      `remove ${key}`,
      papers.value.filter(paper => paper.key !== key),
    )

  return { papers, show, load, add, change, remove }
})
