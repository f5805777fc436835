/** Milliseconds after which nobody is taken to work on something any more who has not said so again. */
const FORGOTTEN = 10_000
/** Problems that are remembered at once. */
const MOST = 20_000

/** Who is working on what, by what its answer will be kept under. What is lost with the server is soon said again. */
const begun = new Map<string, { by: string, until: number }>()

/**
 * Somebody is working on some problems.
 * @returns those that somebody else has begun before: they are not taken away
 */
export function beginHere(ids: string[], by: string, now = Date.now()): string[] {
  if (begun.size > MOST) for (const [id, { until }] of begun) if (until <= now) begun.delete(id)
  return ids.filter((id) => {
    const known = begun.get(id)
    if (known && known.by !== by && known.until > now) return true
    if (begun.size <= MOST || known) begun.set(id, { by, until: now + FORGOTTEN })
    return false
  })
}

/** What was looked for is there. */
export const endBegun = (id: string): void => void begun.delete(id)
