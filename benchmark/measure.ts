export const median = (values: number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!

/** Milliseconds that some work takes, the median of several runs in one process. */
export function time(work: () => void, runs = 21): number {
  work()
  return median(Array.from({ length: runs }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  }))
}

export const ms = (value: number): string => `${value.toFixed(value < 10 ? 2 : 0)} ms`
export const of = (value: number, bound: number): string => `${(value / bound).toFixed(2)} ×`
