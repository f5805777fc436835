import { checkShape } from './check'
import { keyProblems } from './keys'
import type { Checked } from './problem'
import { MOST_PROBLEMS } from './problem'
import { ALL_GLUED, NO_DRESSING } from './defaults'
import { DressingEntry } from './dressing-shapes'
import { Batch, ClassDocument, PaperEntry, StudioSettings } from './shapes'
import { isEndless } from './sizes'
import { isKnownVersion, upgraded, upgradedSettings } from './upgrades'
import { VERSION } from './version'

/*
 * The second door of this room, with the validation classes: for the server, the
 * command line and what reads a draft that an older Wakaru kept. Whatever is read,
 * rows of the database, files and drafts, comes through here.
 */

export * from './check'
export * from './shapes'
export * from './validators'

const isData = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value)

function open<T extends object>(kind: 'class' | 'paper', shape: new () => T, data: unknown): Checked<T> {
  if (!isData(data)) return { ok: false, problems: [{ path: '', problem: 'must be a JSON object' }] }
  if (data.version !== undefined && !isKnownVersion(data.version)) {
    return {
      ok: false,
      problems: [{ path: 'version', problem: `is ${JSON.stringify(data.version)}; this Wakaru reads versions 1 to ${VERSION}` }],
    }
  }
  if (isEndless(data)) return { ok: false, problems: [{ path: '', problem: 'holds more than any class can' }] }
  const checked = checkShape(shape, kind === 'paper' ? withoutVersion(upgraded(kind, data)) : upgraded(kind, data))
  if (!checked.ok) return checked
  const problems = keyProblems(checked.value)
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, MOST_PROBLEMS) } : checked
}

function withoutVersion({ version: _, ...paper }: Record<string, unknown>): object {
  return paper
}

/** Reads a class of any version: what it is in the newest one, or what is wrong with it. Never throws. */
export const openDocument = (data: unknown): Checked<ClassDocument> => open('class', ClassDocument, data)

/** The same with the papers of the class. */
export const openBatch = (data: unknown): Checked<Batch> => open('class', Batch, data)

/** Reads a paper of any version; beside it stands the version it was written in. */
export const openPaper = (data: unknown): Checked<PaperEntry> => open('paper', PaperEntry, data)

/** Reads the settings of a studio, as old as they may be. */
export const openSettings = (data: unknown): Checked<StudioSettings> => checkShape(StudioSettings, upgradedSettings(data) as object)

/** Reads what is put on a card; it has no version, and what was kept before glue had a place is glued all over. */
export function openDressing(data: unknown): Checked<DressingEntry> {
  if (!isData(data)) return { ok: false, problems: [{ path: '', problem: 'must be a JSON object with faces and free' }] }
  const checked = checkShape(DressingEntry, heldAllOver({ ...NO_DRESSING, ...data }))
  const problems = checked.ok ? keyProblems(checked.value) : []
  return problems.length > 0 ? { ok: false, problems } : checked
}

/** Dressing in which nothing is said of the glue is glued all over. */
function heldAllOver({ faces, free, ...rest }: Record<string, unknown>): object {
  const each = (list: unknown, change: (entry: object) => object) =>
    Array.isArray(list) ? list.map((entry: unknown) => (typeof entry === 'object' && entry !== null ? change(entry) : entry)) : list
  const held = (entry: object) => ({ glue: ALL_GLUED, made: [], foam: '0 in', ...entry })
  const dressed = (face: object) => ({ message: false, ...face, ...('layers' in face && { layers: each(face.layers, held) }) })
  return { ...rest, faces: each(faces, dressed), free: each(free, piece => ({ from: '', ...held(piece) })) }
}
