/** Brings something back out of the bin and tells every list; answers whether it is back. */
export function useBringBack(): (bin: number) => Promise<boolean> {
  const toast = useToast()
  const turn = useClassTurn()
  const shelf = usePapersStore()
  return async (bin) => {
    try {
      const { entity } = await $fetch<{ entity: 'class' | 'paper' }>(`/api/bin/${bin}/restore`, { method: 'POST' })
      turn.value++
      if (entity === 'paper') await shelf.load()
      return true
    }
    catch (error) {
      toast.add({ severity: 'error', summary: refusalOf(error).message, life: 8000 })
      return false
    }
  }
}
