import { createGlobalState, useLocalStorage } from '@vueuse/core'

/** A look round in a class: where each stop is, and what is to be seen there. */
export const TOUR = [
  {
    station: 'cards',
    words: 'A card is a fold with your own sizes. Change a number on the left: pattern, folded card and pieces '
      + 'follow. Click a measure in the drawing to come to its number.',
  },
  {
    station: 'papers',
    words: 'Choose a paper for each role, once for the whole class. Where cards or pieces differ, open the role.',
  },
  {
    station: 'pieces',
    words: 'Every piece to cut, how many of it, and how it is scored. Each size says what it was made of.',
  },
  {
    station: 'cutting',
    words: 'How the pieces lie on your sheets, with the proof that fewer sheets will not do, and the cuts in the '
      + 'order you make them.',
  },
  {
    station: 'kits',
    words: 'What goes into each bag, what has to be bought, and what a kit costs. The menu at the top right prints '
      + 'everything.',
  },
] as const

interface Place {
  class: number
  stop: number
}

/** Where the tour stands: the same for every part of the page, and kept also where the part that began it is gone. */
const usePlace = createGlobalState(() => {
  const serializer = { read: (text: string): Place | null => JSON.parse(text), write: JSON.stringify }
  return useLocalStorage<Place | null>('wakaru-tour', null, { serializer })
})

/** The tour through a class; it can be left at any time and goes on where it was. */
export function useTour() {
  const router = useRouter()
  const place = usePlace()
  const stop = computed(() => (place.value ? TOUR[place.value.stop] : undefined))
  const to = async (id: number, at: number) => {
    const next = TOUR[at]
    if (!next) return leave()
    place.value = { class: id, stop: at }
    // Not by `navigateTo`, which takes what is asked for during another navigation for a redirection and drops it.
    await router.push(`/classes/${id}/${next.station}`)
  }
  const leave = () => void (place.value = null)
  /** Through this class, else through the first one there is; an empty studio gets the worked example for it. */
  async function begin(id?: number) {
    await to(id ?? (await first()) ?? (await $fetch<{ id: number }>('/api/example', { method: 'POST' })).id, 0)
  }
  async function first() {
    const { classes } = await $fetch<{ classes: { id: number }[] }>('/api/classes', {
      query: { when: 'all', today: localDay(), search: '', offset: 0, limit: 1 },
    })
    return classes[0]?.id
  }
  const step = (by: 1 | -1) => (place.value ? to(place.value.class, Math.max(0, place.value.stop + by)) : undefined)
  return { place, stop, begin, step, leave }
}
