/** Writes cents in the currency of the class. */
export function useMoney() {
  const work = useClassStore()
  return (cents: number): string =>
    new Intl.NumberFormat('en', { style: 'currency', currency: work.document?.prices.currency ?? 'EUR' }).format(cents / 100)
}
