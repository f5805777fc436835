import { stringify } from 'devalue'
import { isRecord } from '../lists'
import type { KeptKind } from './ids'
import { LONGEST_KEPT, isKeptId, keptId, keptOf } from './ids'

/** What a file says that it is. */
export const PLANS_FORMAT = 'wakaru-plans'
/** Answers in a file. */
const MOST = 4000

/** A file of plans: what a planner has found, to be kept elsewhere. */
export interface PlansFile {
  format: typeof PLANS_FORMAT
  /** The version of what has found it. */
  planner: string
  /** What is kept, by what it is kept under. */
  answers: Record<string, string>
}

/** Collects what a planner finds, for a file. */
export class PlansWriter {
  private readonly answers: Record<string, string> = {}

  constructor(private readonly planner: string) {}

  note(kind: KeptKind, key: string, answer: unknown): void {
    const text = stringify(answer)
    if (text.length <= LONGEST_KEPT) this.answers[keptId(keptOf(kind, this.planner), key)] = text
  }

  get file(): PlansFile {
    return { format: PLANS_FORMAT, planner: this.planner, answers: this.answers }
  }
}

/**
 * Reads a file of plans. What the answers say is not looked at here: it is checked against its problem wherever it is
 * asked for.
 */
export function readPlansFile(text: string): { ok: true, value: PlansFile } | { ok: false, problem: string } {
  const wrong = (problem: string) => ({ ok: false as const, problem })
  let value: unknown
  try {
    value = JSON.parse(text)
  }
  catch (error) {
    return wrong(`It is not JSON: ${(error as Error).message}.`)
  }
  if (!isRecord(value) || value.format !== PLANS_FORMAT)
    return wrong(`It is no file of plans: one begins with {"format":"${PLANS_FORMAT}", as “plan FILE --keep” has it.`)
  const { planner, answers } = value
  if (typeof planner !== 'string' || !isRecord(answers))
    return wrong('It lacks “planner”, a text, or “answers”, an object.')
  const entries = Object.entries(answers)
  if (entries.length > MOST)
    return wrong(`It has ${entries.length} answers; at most ${MOST} go in one file.`)
  for (const [id, answer] of entries) {
    if (!isKeptId(id)) return wrong(`“${id.slice(0, 60)}” is no identifier of an answer.`)
    if (typeof answer !== 'string' || answer.length > LONGEST_KEPT || !isJson(answer))
      return wrong(
        `What is said under ${id} is no answer: each is a text of JSON of at most ${LONGEST_KEPT} characters.`,
      )
  }
  return { ok: true, value: { format: PLANS_FORMAT, planner, answers: answers as Record<string, string> } }
}

function isJson(text: string): boolean {
  try {
    JSON.parse(text)
    return true
  }
  catch {
    return false
  }
}
