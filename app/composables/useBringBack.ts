/** Brings something back out of the bin and tells every list; answers whether it is back. */
export function useBringBack(): (bin: number) => Promise<boolean> {
  const toast = useToast()
  const turn = useClassTurn()
  return async (bin) => {
    try {
      await $fetch(`/api/bin/${bin}/restore`, { method: 'POST' })
      turn.value++
      return true
    }
    catch (error) {
      toast.add({ severity: 'error', summary: refusalOf(error).message, life: 8000 })
      return false
    }
  }
}
