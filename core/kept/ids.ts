import { parse } from 'devalue'
import { digest } from 'ohash'

/** What answers there are to keep. */
export type KeptKind = 'plans' | 'together' | 'sharing'

/** Answers of a kind and of the version of what finds them. */
export const keptOf = (kind: KeptKind, version: string): string => `${kind} ${version}`

/**
 * What an answer is kept under.
 * @param of what kind of answer it is and what version has found it
 * @param key of the problem
 * @returns 43 characters of base64url
 */
export const keptId = (of: string, key: string): string => digest(`${of}\n${key}`)

/** How such an identifier is written, as a part of a regular expression. */
export const KEPT_ID = String.raw`[\w-]{43}`

export const isKeptId = (text: string): boolean => new RegExp(`^${KEPT_ID}$`).test(text)

/** Characters above which an answer is not kept: it is found again sooner than it is carried about. */
export const LONGEST_KEPT = 1_000_000

/** What a kept text says; nothing where it cannot be read. */
export function keptText(text: string): unknown {
  try {
    return parse(text)
  }
  catch {
    return undefined
  }
}
