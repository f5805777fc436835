declare const lengthBrand: unique symbol

/**
 * A length as an integer number of nanometres.
 *
 * 1/64 in is exactly 396 875 nm and 0.01 mm exactly 10 000 nm, so both schools
 * of measuring add, subtract and compare without rounding.
 */
export type Length = number & { readonly [lengthBrand]: 'nm' }

/** The two schools of measuring. */
export type Units = 'inch' | 'metric'

/** Takes a plain number of nanometres as a length, rounding to the nearest whole one. */
export const nanometres = (value: number): Length => Math.round(value) as Length

export const ZERO = nanometres(0)
export const MILLIMETRE = nanometres(1_000_000)
export const METRE = nanometres(1_000_000_000)
export const INCH = nanometres(25_400_000)

/** The longest measure any door accepts: a card maker never needs more than 5 m. */
export const LONGEST = nanometres(5_000_000_000)

export const millimetres = (value: number): Length => nanometres(value * MILLIMETRE)
export const inches = (value: number): Length => nanometres(value * INCH)

export const sum = (...lengths: Length[]): Length => lengths.reduce((a, b) => (a + b) as Length, ZERO)
export const product = (a: Length, factor: number): Length => nanometres(a * factor)
