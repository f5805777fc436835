import type { ClassSummary } from '../../core/batch'

/** A class as the list shows it. */
export type ListedClass = ClassSummary & { id: number }

/** The list of classes, the same for every part of the page that shows or changes it. */
export const useClasses = () => useFetch<ListedClass[]>('/api/classes', { key: 'classes' })
