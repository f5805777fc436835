/** A generator of whole numbers from a seed (Park and Miller), so that every run has the same problems. */
export function dice(seed: number): (from: number, to: number) => number {
  let state = seed
  return (from, to) => from + Math.floor(((state = (state * 48271) % 2147483647) / 2147483647) * (to - from + 1))
}
