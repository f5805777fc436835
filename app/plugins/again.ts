/** Seconds to wait where nobody said how long. */
const USUAL = 2

/**
 * Where the server is busy, a request that only reads is sent once more, after as long as the server says. In every
 * other case it is sent once: the answer would be no better a moment later, and two would wait instead of one.
 */
export default defineNuxtPlugin(() => {
  globalThis.$fetch = $fetch.create({
    retryStatusCodes: [429, 503],
    retryDelay: ({ response }) => 1000 * (Number(response?.headers.get('Retry-After')) || USUAL),
  }) as typeof $fetch
})
