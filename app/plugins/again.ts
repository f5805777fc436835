/** Seconds to wait where nobody said how long. */
const USUAL = 2

/**
 * What is only read is asked for once more where the server is busy, after as long as it says, and otherwise once: it
 * would not be answered better a moment later, and two would wait instead of one.
 */
export default defineNuxtPlugin(() => {
  globalThis.$fetch = $fetch.create({
    retryStatusCodes: [429, 503],
    retryDelay: ({ response }) => 1000 * (Number(response?.headers.get('Retry-After')) || USUAL),
  }) as typeof $fetch
})
