import { unzipSync } from 'fflate'
import type { Batch, Checked, ClassDocument } from '../../core/document'
import { checkShape } from '../../core/document/open'
import { readBatch, readClass } from '../../core/formats'
import { EditShape } from '../utils/shapes'

/** One class of an archive, as it was read. */
export interface Unpacked {
  name: string
  read: Checked<Batch>
}

/** Classes in one archive, and bytes of it unpacked. */
const MOST = { classes: 5000, bytes: 400e6 }

/** Checks that take their time: each can be done in a thread of its own, and has no other way in or out. */
export const CHECKS = {
  /** A batch file. */
  batch: (text: string): Checked<Batch> => readBatch(text),
  /** Changes on their way to be saved. */
  edit(text: string): Checked<EditShape> {
    let data: unknown
    try {
      data = JSON.parse(text)
    }
    catch {
      return { ok: false, problems: [{ path: '', problem: 'The request is not JSON' }] }
    }
    return checkShape(EditShape, data)
  },
  /** A class that has been changed. */
  class: (document: object): Checked<ClassDocument> => readClass(document),
  /** An archive of batch files. */
  archive(bytes: Uint8Array): Checked<Unpacked[]> {
    let [classes, whole] = [0, 0]
    let files: Record<string, Uint8Array>
    try {
      files = unzipSync(bytes, {
        filter: ({ name, originalSize }) => {
          if (!name.endsWith('.json')) return false
          classes += 1
          whole += originalSize
          if (classes > MOST.classes || whole > MOST.bytes) throw new RangeError()
          return true
        },
      })
    }
    catch (error) {
      const problem = error instanceof RangeError
        ? `holds more than ${MOST.classes} classes or ${MOST.bytes / 1e6} MB`
        : 'is no archive that can be read'
      return { ok: false, problems: [{ path: '', problem }] }
    }
    const decode = new TextDecoder()
    const value = Object.entries(files).map(([name, file]) => ({ name, read: readBatch(decode.decode(file)) }))
    return value.length > 0 ? { ok: true, value } : { ok: false, problems: [{ path: '', problem: 'holds no batch file' }] }
  },
}

export type CheckName = keyof typeof CHECKS
export type CheckInput<N extends CheckName> = Parameters<(typeof CHECKS)[N]>[0]
export type CheckOutput<N extends CheckName> = ReturnType<(typeof CHECKS)[N]>
