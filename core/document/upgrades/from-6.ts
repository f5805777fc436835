/*
 * From version 6 to version 7. Frozen: it is never changed to follow what a new class
 * starts with today.
 *
 * Version 6 took offcuts only where they saved sheets, and knew nothing of pieces that were cut to a wrong size.
 */

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)

/** Papers are as they were. */
export const upgradePaper = (paper: Data): Data => paper

/** A class, alone or with its papers; what is no list of entries stays for the door to refuse. */
export const upgradeClass = (document: Data): Data => ({
  ...document,
  wishes: isData(document.wishes) ? { ...document.wishes, offcutsFirst: false } : document.wishes,
  cutting: Array.isArray(document.cutting)
    ? document.cutting.map(entry => (isData(entry) ? { ...entry, miscut: [] } : entry))
    : document.cutting,
})
