/*
 * From version 9 to version 10. Frozen: it is never changed to follow what a new class starts with today.
 *
 * Version 9 planned and cut every paper by itself: a class that was planned so goes on like that until the maker says
 * otherwise.
 */

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)

/** A class, alone or with its papers; what is no list of entries stays for the door to refuse. */
export function upgradeClass(document: Data): Data {
  const { wishes, cutting } = document
  return {
    ...document,
    ...(isData(wishes) && { wishes: { ...wishes, together: false, sittings: 1 } }),
    ...(Array.isArray(cutting) && {
      cutting: cutting.map((entry: unknown) => (isData(entry) ? { ...entry, apart: false } : entry)),
    }),
  }
}
