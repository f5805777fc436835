import { until } from '@vueuse/core'
import { useConfirm } from 'primevue/useconfirm'

/** Something that is asked before it is done. */
interface Question {
  header: string
  message: string
  /** What the button says that does it. */
  yes: string
  accept: () => void
}

/** The dialog of questions is fetched with the first question; `here` once it can be asked. */
export const useAsking = () => useState<'no' | 'wanted' | 'here'>('asking', () => 'no')

/** Asks whether something is meant that cannot simply be taken back. */
export function useAsk(): (question: Question) => Promise<void> {
  const confirm = useConfirm()
  const asking = useAsking()
  return async ({ yes, ...question }) => {
    if (asking.value === 'no') asking.value = 'wanted'
    await until(asking).toBe('here')
    confirm.require({
      ...question, acceptLabel: yes, rejectLabel: 'Keep it', rejectProps: { severity: 'secondary', outlined: true },
    })
  }
}
