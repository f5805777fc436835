import type { Batch } from '../../batch'
import { BOUNDS } from '../../batch'
import type { Checked } from './validate'
import { batchProblems, checkShape } from './validate'
import { BatchFileShape } from './shapes'

export const BATCH_FORMAT = 'wakaru-batch'
export const BATCH_VERSION = 1

const whole = (problem: string): Checked<never> => ({ ok: false, problems: [{ path: '', problem }] })

/** Reads a batch file. Never throws; the problems name the path inside the file and what was expected. */
export function readBatch(text: string): Checked<Batch> {
  if (text.length > BOUNDS.file) return whole(`the file holds ${Math.round(text.length / 1e6)} MB; a batch file has at most ${BOUNDS.file / 1e6} MB`)
  let data: unknown
  try {
    data = JSON.parse(text.replace(/^\uFEFF/, ''))
  }
  catch (error) {
    return whole(`is not JSON: ${(error as Error).message}`)
  }
  if (typeof data !== 'object' || data === null || !('format' in data) || data.format !== BATCH_FORMAT) {
    return { ok: false, problems: [{ path: 'format', problem: `is not a batch file: "format" must be "${BATCH_FORMAT}"` }] }
  }
  if (!('version' in data) || data.version !== BATCH_VERSION) {
    const version = 'version' in data ? JSON.stringify(data.version) : 'missing'
    return { ok: false, problems: [{ path: 'version', problem: `is ${version}; this Wakaru reads version ${BATCH_VERSION}` }] }
  }
  const checked = checkShape(BatchFileShape, data)
  if (!checked.ok) return checked
  const { format: _format, version: _version, ...batch } = checked.value
  const problems = batchProblems(batch)
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: batch }
}

/** Writes a batch file; `readBatch` gives back the same batch. */
export function writeBatch(batch: Batch): string {
  const { class: details, cards, tools, wishes, cutting, prices, post, papers } = batch
  return `${JSON.stringify({ format: BATCH_FORMAT, version: BATCH_VERSION, class: details, cards, tools, wishes, cutting, prices, post, papers }, null, 2)}\n`
}
