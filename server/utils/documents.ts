import type { ClassDocument, PaperEntry } from '../../core/document'
import * as stored from '../workers/stored'
import { refusal } from './door'

function orRefused<T>(open: () => T): T {
  try {
    return open()
  }
  catch (error) {
    throw error instanceof stored.UnreadableError ? refusal(500, error.message) : error
  }
}

export const classInRow = (document: object): ClassDocument => orRefused(() => stored.classFrom(document))
export const paperInRow = (document: object): PaperEntry => orRefused(() => stored.paperFrom(document))
