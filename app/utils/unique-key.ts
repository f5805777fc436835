import { BOUNDS } from '../../core/document'

/** A key that no other window comes upon, so that what two people add at the same moment are two things. */
export const uniqueKey = (stem: string): string =>
  `${stem.slice(0, BOUNDS.key - 8)}-${Array.from(crypto.getRandomValues(new Uint8Array(6)), byte => (byte % 36).toString(36)).join('')}`
