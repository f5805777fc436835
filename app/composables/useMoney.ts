/** Writes cents in the currency of the class, or in another one. */
export function useMoney(other?: () => string) {
  const work = useClassStore()
  return (cents: number): string =>
    new Intl.NumberFormat('en', {
      style: 'currency', currency: other?.() ?? work.document?.prices.currency ?? 'EUR',
    }).format(cents / 100)
}
