/** What a field makes of a text: a value, or why it is none. */
export type Reading<T> = { ok: true, value: T } | { ok: false, reason: string }

export interface NumberBounds {
  min?: number
  max?: number
  /** Digits after the point. */
  decimals?: number
}

/**
 * Reads a number as people write it: `1200`, `1,200`, `0.95`, `0,95`. Of two signs the later one is the decimal one; a
 * single comma before exactly three digits divides thousands.
 */
export function readNumber(text: string, { min, max, decimals = 0 }: NumberBounds): Reading<number> {
  const written = text.replace(/[\s\u202F']/g, '').replace('−', '-')
  if (written === '') return { ok: false, reason: 'Type a number.' }
  const whole = /^-?\d{1,3}(,\d{3})+$/.test(written) ? written.replaceAll(',', '') : written
  const decimal = Math.max(whole.lastIndexOf(','), whole.lastIndexOf('.'))
  const figures = decimal < 0 ? whole : `${whole.slice(0, decimal).replace(/[.,]/g, '')}.${whole.slice(decimal + 1)}`
  if (!/^-?(\d{1,12}(\.\d{0,12})?|\.\d{1,12})$/.test(figures))
    return { ok: false, reason: `“${text.trim()}” is not a number.` }
  const value = Number(figures)
  const digits = figures.split('.')[1]?.replace(/0+$/, '').length ?? 0
  if (digits > decimals)
    return { ok: false, reason: decimals === 0 ? 'Whole numbers only.' : `At most ${decimals} digits after the point.` }
  if (min !== undefined && value < min) return { ok: false, reason: `At least ${min}.` }
  if (max !== undefined && value > max) return { ok: false, reason: `At most ${max}.` }
  return { ok: true, value }
}
