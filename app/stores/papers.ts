import { defineStore } from 'pinia'
import type { PaperEntry } from '../../core/batch'

/** A paper as the shelf hands it out; the revision goes back with every change. */
export type ShelfPaper = PaperEntry & { revision: number }

/** The papers on the studio's shelf. */
export const usePapersStore = defineStore('papers', () => {
  const papers = ref<ShelfPaper[]>([])

  async function load() {
    papers.value = await useRequestFetch()<ShelfPaper[]>('/api/papers')
  }

  async function add(paper: PaperEntry) {
    await $fetch('/api/papers', { method: 'POST', body: paper })
    await load()
  }

  async function change(paper: PaperEntry, revision: number) {
    await $fetch(`/api/papers/${paper.key}`, { method: 'PUT', body: { revision, paper } })
    await load()
  }

  async function remove(key: string) {
    const { paper } = await $fetch<{ paper: PaperEntry }>(`/api/papers/${key}`, { method: 'DELETE' })
    await load()
    return paper
  }

  return { papers, load, add, change, remove }
})
