import type { ClassDocument, Patch } from '../../core/document'
import { applied, newClass, patchesBetween } from '../../core/document'
import type { Sent } from './door'

/** A server made up here: it applies what is sent, and can fail, lose its answer or be changed by somebody else. */
export class MadeUpServer {
  position = 3
  document: ClassDocument = newClass({ title: 'Evening', date: '2030-01-01', units: 'inch' })
  sent: Sent[] = []
  tokens = new Map<string, number>()
  /** What happens instead at the next saves. */
  troubles: (() => void)[] = []

  loads = 0
  load = async () => {
    this.loads++
    return { position: this.position, document: structuredClone(this.document) }
  }

  /** What has led to each position, as far as that is known. */
  log = new Map<number, Patch[]>()
  later = async (since: number, base: ClassDocument) => {
    const steps = Array.from({ length: this.position - since }, (_, at) => this.log.get(since + at + 1))
    if (steps.includes(undefined)) return undefined
    try {
      return {
        position: this.position, document: applied(base, structuredClone(steps.flatMap(patches => patches ?? []))),
      }
    }
    catch {
      return undefined
    }
  }

  save = async (sent: Sent) => {
    this.sent.push(structuredClone(sent))
    const known = this.tokens.get(sent.token)
    this.troubles.shift()?.()
    if (known !== undefined) return { position: known }
    if (sent.since !== this.position && this.refuses) throw { statusCode: 409, data: { message: 'changed' } }
    return this.take(sent)
  }

  /** Whether it leaves all merging to the window. */
  refuses = true
  take(sent: Sent) {
    this.document = applied(this.document, sent.patches)
    this.tokens.set(sent.token, ++this.position)
    this.log.set(this.position, sent.patches)
    return { position: this.position }
  }

  /** Somebody else saves. */
  change(edit: (document: ClassDocument) => void) {
    const before = this.document
    this.document = structuredClone(before)
    edit(this.document)
    this.log.set(++this.position, patchesBetween(before, this.document))
  }
}

/** A trouble that a save meets. */
export const throws = (error: unknown) => () => {
  throw error
}
